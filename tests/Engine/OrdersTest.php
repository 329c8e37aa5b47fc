<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Order\HoldSlots;
use NimbleJunction\Engine\Order\Order;
use NimbleJunction\Engine\Order\Orders;
use NimbleJunction\Engine\Order\Release;
use NimbleJunction\Engine\Order\Subscribe;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\HeldSlot;
use NimbleJunction\Engine\Said\PointNews;
use NimbleJunction\Engine\Said\PortLife;
use NimbleJunction\Engine\Said\Shapes;
use NimbleJunction\Engine\Said\Status;
use NimbleJunction\Engine\Said\UniverseLife;
use NimbleJunction\Engine\Topic\Topics;
use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What pages ask for and are told, as classes: read field by field, written as the page's types say. */
final class OrdersTest extends TestCase
{
    public function testEveryOrderHasAWordOfItsOwnAndSaysWhatItNeeds(): void
    {
        $words = array_map(static fn(string $order): string => $order::kind(), Orders::ALL);
        self::assertSame($words, array_values(array_unique($words)));
        foreach (Orders::ALL as $order) {
            $needed = array_filter($order::fields(), static fn(Field $field): bool => $field->isNeeded);
            if ($needed === []) {
                self::assertInstanceOf(Order::class, Orders::read(['do' => $order::kind()]));

                continue;
            }
            $refused = $this->refused(['do' => $order::kind()]);
            foreach ($needed as $field) {
                self::assertStringContainsString("\"{$field->name}\": it is missing.", $refused, $order::kind());
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no word' => [[], '"do" must be a text.'];
        yield 'a number for a word' => [['do' => 7], '"do" must be a text.'];
        yield 'another word' => [['do' => 'dance'], 'Known are: subscribe, hold, hold-parameter,'];
        yield 'a slot too high' => [
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 513, 'level' => 1],
            '"slot": it is 513. Use a whole number from 1 to 512.',
        ];
        yield 'a run that ends before it begins' => [
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 9, 'last' => 8, 'level' => 1],
            '"last": it is 8. Use a whole number from 9 to 512.',
        ];
        yield 'too long' => [
            ['do' => 'hold', 'universe' => 'palm', 'slot' => 9, 'level' => 1, 'seconds' => 3601],
            '"seconds": it is 3601. Use a whole number from 1 to 3600.',
        ];
        yield 'a field that it has not' => [
            ['do' => 'release', 'colour' => 'red'],
            '"colour": this field is not known here. Known are: universe, slot, last, mine, fixture, parameter.',
        ];
        yield 'two things at once' => [
            ['do' => 'explain', 'universe' => 'Palm House', 'slot' => 0],
            '"universe": it is "Palm House". Use 1 to 60 small letters',
        ];
        yield 'topics that are none' => [
            ['do' => 'subscribe', 'topics' => 'status'],
            '"topics": it is "status". Use a list of at most 10000.',
        ];
        yield 'no point' => [['do' => 'press', 'point' => 'lamp'], '"point": it is "lamp". Name a point as kind:id'];
        yield 'too many devices' => [['do' => 'lend', 'devices' => array_fill(0, 65, 'midi Keys')], 'at most 64'];
        yield 'a value that is none' => [
            ['do' => 'set', 'point' => 'value:open', 'value' => []],
            '"value": it is a list. Use a number, a text, true or false.',
        ];
    }

    /** @param array<string, mixed> $message */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidFieldByField(array $message, string $words): void
    {
        self::assertStringContainsString($words, $this->refused($message));
    }

    public function testTheIdOfAQuestionIsNoField(): void
    {
        self::assertInstanceOf(
            HoldSlots::class,
            Orders::read(['do' => 'hold', 'id' => 7, 'universe' => 'palm', 'slot' => 1, 'level' => 255]),
        );
        self::assertInstanceOf(Release::class, Orders::read(['do' => 'release', 'id' => null]));
        self::assertInstanceOf(Subscribe::class, Orders::read(['do' => 'subscribe', 'topics' => [], 'anew' => true]));
    }

    public function testViewersMayOnlyLook(): void
    {
        $open = array_filter(Orders::ALL, static fn(string $order): bool => ! $order::isForOperators());
        self::assertSame(
            ['subscribe', 'explain', 'find', 'stand', 'write-trace', 'why-dark', 'suggest', 'listens', 'gather', 'touch', 'render-lines'],
            array_values(array_map(static fn(string $order): string => $order::kind(), $open)),
        );
    }

    public function testWhatIsSaidIsWrittenAsItsTypeSays(): void
    {
        $empty = new Status(12.5, false, null, [], [], null, []);
        self::assertSame(
            '{"type":"status","now":12.5,"whole":false,"engine":null,"ports":{},"universes":{},"holds":null,"unclaimed":[]}',
            json_encode($empty, JSON_THROW_ON_ERROR),
        );
        $numbered = new Status(
            1.0,
            true,
            null,
            [],
            ['0' => new UniverseLife(true, 1, ['Desk'], 100, 3)],
            [new HeldSlot('0', 1, 255, 'Ada', 9.0)],
            null,
        );
        $decoded = json_decode(json_encode($numbered, JSON_THROW_ON_ERROR), false, flags: JSON_THROW_ON_ERROR);
        self::assertIsObject($decoded->universes, 'an id that is a number makes no list of it');
        self::assertSame([['Desk'], 255], [$decoded->universes->{'0'}->leaders, $decoded->holds[0]->level]);
        self::assertSame(['point' => 'string', 'value' => 'string | number | null'], Shapes::typed(PointNews::class));
        self::assertSame(
            ['Record<string, PortLife>', 'HeldSlot[] | null', 'EngineLife | null', 'number', 'boolean'],
            array_map(
                static fn(string $name): string => Shapes::typed(Status::class)[$name],
                ['ports', 'holds', 'engine', 'now', 'whole'],
            ),
        );
        self::assertSame(['ports', 'universes'], Shapes::mapsOf(Status::class));
        self::assertContains(PortLife::class, Shapes::heldBy(Status::class));
    }

    /** The page is written in the types that these classes make. */
    public function testThePagesTypesAreOfToday(): void
    {
        $check = new Process(['bin/live-types', '--check'], Background::root());
        self::assertSame(0, $check->run(), 'run bin/live-types');
        $written = (string) file_get_contents(Background::root().'/resources/ts/live/messages.ts');
        foreach (Topics::ALL as $topic) {
            self::assertStringContainsString("'{$topic::name()}'", $written);
        }
    }

    public function testAPageIsToldWhatItHasNotBeenTold(): void
    {
        $view = new PageView();
        $view->want(['status' => '', 'trace' => '', 'scope:slot:palm:1' => 'slot:palm:1'], false);
        self::assertSame(
            [true, false, true],
            [$view->isNew('port a', '1'), $view->isNew('port a', '1'), $view->isNew('port a', '2')],
        );
        self::assertSame([0, 9], [$view->number('trace'), $this->counted($view, 'trace', 9)]);
        $view->forget('port');
        self::assertTrue($view->isNew('port a', '2'), 'forgotten');
        $view->want(['trace' => ''], false);
        self::assertSame(9, $view->number('trace'), 'who only follows less goes on where it was');
        self::assertTrue($view->isNew('port a', '2'), 'what is followed anew is told as a whole');
        $view->want(['status' => ''], false);
        $view->want(['trace' => ''], false);
        self::assertSame(0, $view->number('trace'), 'what was left is told from its beginning');
        $this->counted($view, 'trace', 5);
        $view->want(['trace' => ''], true);
        self::assertSame(0, $view->number('trace'), 'a page that has lost something is told everything');
    }

    public function testATurnGoesOnWhereItBrokeOff(): void
    {
        $view = new PageView();
        $view->want(['a' => '', 'b' => '', 'c' => ''], false);
        $view->goOnAt('b');
        self::assertSame(['b', 'c', 'a'], array_keys([...$view->inTurn()]));
        self::assertSame(['a', 'b', 'c'], array_keys([...$view->inTurn()]));
        $view->goOnAt('gone');
        self::assertSame(['a', 'b', 'c'], array_keys([...$view->inTurn()]));
        self::assertTrue($view->isTime('a', 1_000, 100));
        self::assertFalse($view->isTime('a', 1_050, 100));
        self::assertTrue($view->isTime('a', 1_100, 100));
        self::assertTrue($view->isTime('levels', 5, 0), 'as often as it likes');
    }

    private function counted(PageView $view, string $topic, int $number): int
    {
        $view->count($topic, $number);

        return $view->number($topic);
    }

    /** @param array<string, mixed> $message */
    private function refused(array $message): string
    {
        try {
            Orders::read($message);
        } catch (CommandRefused $refused) {
            return $refused->getMessage();
        }
        self::fail('it was taken');
    }
}
