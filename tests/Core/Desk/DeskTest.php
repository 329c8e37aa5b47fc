<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Desk;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Desk\DeskForm;
use NimbleJunction\Core\Desk\DeskMessage;
use NimbleJunction\Core\Desk\Grammar\FormPattern;
use NimbleJunction\Core\Desk\Misread;
use NimbleJunction\Core\Desk\Understood;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Message\Osc;
use PHPUnit\Framework\TestCase;

/** Typed lines against a grammar that an integrator described: understood, said in full, corrected; nothing is guessed in silence. */
final class DeskTest extends TestCase
{
    public function testALineIsUnderstoodByTheFirstLettersOfItsWords(): void
    {
        foreach ([
            ['make cue 12', 'make cue 12', ['cue' => '12']],
            ['MAKE CUE 12.50', 'make cue 12.5', ['cue' => '12.5']],
            ['m c 3 cal "Doors open"', 'make cue 3 called "Doors open"', ['cue' => '3', 'name' => 'Doors open']],
            ['make cue 3 called Doors in 4 s', 'make cue 3 called "Doors" in 4 seconds', ['cue' => '3', 'name' => 'Doors', 'time' => '4', 'unit' => 'seconds']],
            ['make cue 3 in 4 min', 'make cue 3 in 4 minutes', ['cue' => '3', 'time' => '4', 'unit' => 'minutes']],
            ['  go ', 'go', []],
            ['go  cue  7', 'go cue 7', ['cue' => '7']],
            ['gro 4 at 50', 'group 4 at 50', ['group' => '4', 'level' => '50']],
        ] as [$typed, $whole, $values]) {
            $read = self::desk()->read($typed);
            self::assertInstanceOf(Understood::class, $read, $typed.($read instanceof Misread ? ": {$read->words()}" : ''));
            self::assertSame([$whole, $values], [$read->line, $read->values]);
        }
    }

    public function testWhatIsWrongIsSaidWithItsPlaceAndWhatIsAllowed(): void
    {
        foreach ([
            ['', 0, 'nothing in it', '"make"', ''],
            ['make cue', 8, 'More is needed', 'cue: a number from 0.1 to 999.9', ''],
            ['make cue 1000', 9, '"1000" cannot stand there', 'from 0.1 to 999.9', ''],
            ['make cue 1.25', 9, 'cannot stand', '', ''],
            ['make cwe 4', 5, '"cwe" cannot', '"cue"', 'make cue 4'],
            ['make cue 4 caled Doors', 11, '"caled" cannot', '"called"; or "in"', 'make cue 4 called Doors'],
            ['go cue 4 now', 9, 'Nothing stands behind', '', ''],
            ['g 4', 0, 'It could be', '', ''],
            ['make cue 4 in 61 seconds', 14, '"61" cannot', 'a whole number from 0 to 60', ''],
            ['make cue 4 in 5', 15, 'More is needed', 'unit: seconds, minutes', ''],
            [str_repeat('go ', 200), 0, 'longer than 500', '', ''],
            ["\0\xFF go", 0, '', '', ''],
        ] as [$typed, $at, $problem, $allowed, $meant]) {
            $read = self::desk($typed === 'g 4' ? ['grab {what: 1-9}', 'gain {what: 1-9}'] : [])->read($typed);
            self::assertInstanceOf(Misread::class, $read, $typed);
            self::assertSame($at, $read->at, $typed);
            self::assertStringContainsString($problem, $read->problem, $typed);
            self::assertStringContainsString($allowed, $read->allowed, $typed);
            self::assertSame($meant, $read->meant, $typed);
        }
    }

    public function testTwoFormsThatBothFitAreAskedForUnlessOneIsTypedInFull(): void
    {
        $desk = self::desk(['go {cue: 1-9}', 'goto {cue: 1-9}']);
        self::assertInstanceOf(Misread::class, $desk->read('g 4'));
        self::assertInstanceOf(Understood::class, $full = $desk->read('go 4'));
        self::assertSame('go 4', $full->line);
        self::assertInstanceOf(Understood::class, $other = $desk->read('got 4'));
        self::assertSame('goto 4', $other->line);
    }

    /** Random lines made by the forms themselves are understood as what they were made of; broken ones never throw. */
    public function testEveryLineOfItsFormsIsUnderstoodAndAnyOtherTextIsAnswered(): void
    {
        $desk = self::desk();
        for ($seed = 1; $seed <= 500; ++$seed) {
            mt_srand($seed);
            $cue = mt_rand(1, 9999) / 10;
            $line = "make cue {$cue}";
            $line .= mt_rand(0, 1) === 0 ? '' : ' called "'.substr(md5((string) $seed), 0, mt_rand(1, 9)).' x"';
            $line .= mt_rand(0, 1) === 0 ? '' : ' in '.mt_rand(0, 60).' '.['seconds', 'minutes'][mt_rand(0, 1)];
            $read = $desk->read($line);
            self::assertInstanceOf(Understood::class, $read, $line);
            self::assertSame($line, $read->line);
            $broken = substr_replace($line, \chr(mt_rand(1, 255)), mt_rand(0, \strlen($line) - 1), mt_rand(0, 3));
            self::assertContains($desk->read($broken)::class, [Understood::class, Misread::class]);
        }
    }

    public function testFormsAreReadOrSaidToBeWrong(): void
    {
        foreach (['go', 'go cue {cue: 1-999} [list {list: 1-20}]', 'set {what: a|b|c} {to: -5--1}'] as $right) {
            self::assertSame('', FormPattern::read($right)->problem, $right);
        }
        foreach ([
            '',
            '{cue: 1-9}',
            '[go]',
            'go [cue',
            'go cue]',
            'go [[cue]]',
            'go []',
            'go {cue}',
            'go {cue: }',
            'go {cue: 9-1}',
            'go {a: 1-2} {a: 1-2}',
            'go {Cue: 1-2}',
            'go "x"',
            'go {c: one word|two}',
        ] as $wrong) {
            self::assertNotSame('', FormPattern::read($wrong)->problem, $wrong);
        }
    }

    public function testItLeavesByOscWithItsValuesAndBySystemExclusive(): void
    {
        $line = self::desk()->read('make cue 3 called "Doors open"');
        self::assertInstanceOf(Understood::class, $line);
        $plain = DeskMessage::of(self::desk(), $line);
        self::assertInstanceOf(Osc::class, $plain);
        self::assertSame(['/line', ['make cue 3 called "Doors open"']], [$plain->address(), $plain->arguments()]);
        $osc = DeskMessage::of(self::desk(address: '/desk/cue/{cue}', arguments: ['{cue}', '{name}', 'in {time}s']), $line);
        self::assertInstanceOf(Osc::class, $osc);
        self::assertSame(['/desk/cue/3', [3, 'Doors open', 'in s']], [$osc->address(), $osc->arguments()]);
        $sysex = DeskMessage::of(self::desk(way: 'sysex', bytes: '7D 01 {line} 00'), $line);
        self::assertInstanceOf(Exclusive::class, $sysex);
        self::assertSame('f07d01'.bin2hex('make cue 3 called "Doors open"').'00f7', $sysex->hex());
        $short = self::desk(['store {cue: 1-99}'], sends: 'S{cue}#{line}')->read('st 4');
        self::assertInstanceOf(Understood::class, $short);
        self::assertSame('S4#store 4', $short->form->rendered($short));
    }

    /**
     * @param list<string> $more forms
     * @param list<string> $arguments
     */
    private static function desk(
        array $more = [],
        string $address = '',
        array $arguments = [],
        string $way = 'osc',
        string $bytes = '7D {line}',
        string $sends = '',
    ): Desk {
        $forms = $more !== []
            ? $more
            : [
                'make cue {cue: 0.1-999.9} [called {name: text}] [in {time: 0-60} {unit: seconds|minutes}]',
                'go [cue {cue: 1-999}]',
                'group {group: 1-99} at {level: 0-100}',
            ];

        return new Desk(
            'desk',
            'Desk',
            'out',
            $way,
            $address,
            $arguments,
            $bytes,
            forms: array_map(static fn(string $line): DeskForm => new DeskForm($line, $sends), $forms),
        );
    }
}
