<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\LengthFraming;
use NimbleJunction\Core\Wire\Osc\Pattern;
use NimbleJunction\Core\Wire\Osc\SlipFraming;
use NimbleJunction\Core\Wire\Osc\TimeTag;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** OSC 1.0, "OSC Message Dispatching and Pattern Matching" and "OSC Time Tags"; streams after 1.0, 1.1 and RFC 1055. */
final class OscPatternTest extends TestCase
{
    /** @return iterable<array{string, list<string>, list<string>}> pattern, what it matches, what it does not */
    public static function patterns(): iterable
    {
        yield ['/lamp/?', ['/lamp/1', '/lamp/x'], ['/lamp/', '/lamp/12', '/lamp//']];
        yield ['/lamp/*', ['/lamp/', '/lamp/12'], ['/lamp', '/lamp/1/2']];
        yield ['/*/level', ['/palm/level', '//level'], ['/palm/a/level']];
        yield ['/lamp/[135]', ['/lamp/1', '/lamp/5'], ['/lamp/2', '/lamp/13']];
        yield ['/lamp/[1-4]', ['/lamp/1', '/lamp/4'], ['/lamp/5', '/lamp/-']];
        yield ['/lamp/[!1-4]', ['/lamp/5', '/lamp/a'], ['/lamp/1', '/lamp//']];
        yield ['/lamp/[a-]', ['/lamp/a', '/lamp/-'], ['/lamp/b']];
        yield ['/{palm,fern}/lamp', ['/palm/lamp', '/fern/lamp'], ['/lily/lamp', '/palmfern/lamp']];
        yield ['/{a,ab}b', ['/ab', '/abb'], ['/aab']];
        yield ['/*a*b*', ['/ab', '/xaxbx'], ['/ba']];
        yield ['/plain', ['/plain'], ['/plain/', '/Plain']];
        yield ['/dots.and+signs', ['/dots.and+signs'], ['/dotsxand+signs']];
    }

    /**
     * @param list<string> $yes
     * @param list<string> $no
     */
    #[DataProvider('patterns')]
    public function testMatches(string $pattern, array $yes, array $no): void
    {
        $matcher = Pattern::of($pattern);
        foreach ($yes as $address) {
            self::assertTrue($matcher->matches($address), "{$pattern} matches {$address}");
        }
        foreach ($no as $address) {
            self::assertFalse($matcher->matches($address), "{$pattern} does not match {$address}");
        }
    }

    public function testABracketThatIsNotClosedIsRefused(): void
    {
        self::assertTrue(Pattern::isPattern('/a/{b'));
        self::assertFalse(Pattern::isPattern('/a/b'));
        $this->expectException(Malformed::class);
        Pattern::of('/a/{b');
    }

    public function testAnEvilPatternIsAnsweredAllTheSame(): void
    {
        $pattern = Pattern::of('/'.str_repeat('*a', 30).'b');
        self::assertFalse($pattern->matches('/'.str_repeat('a', 3000)));
    }

    public function testTimeTags(): void
    {
        self::assertTrue(TimeTag::immediately()->isImmediate());
        self::assertSame('0000000000000001', bin2hex(TimeTag::immediately()->encode()));
        $tag = TimeTag::atUnixNanos(500_000_000);
        self::assertSame([2208988800, 0x80000000], [$tag->seconds, $tag->fraction], 'NTP counts from 1900: 1970 is 2208988800');
        self::assertSame('1970-01-01 00:00:00.500000 UTC', $tag->spelled());
        self::assertEquals($tag, TimeTag::read($tag->encode(), 0));
    }

    public function testLengthFramingPartsAStream(): void
    {
        $stream = LengthFraming::frame('/one').LengthFraming::frame('').LengthFraming::frame('/two/2');
        $framing = new LengthFraming();
        $packets = array_merge(...array_map($framing->push(...), str_split($stream)));
        self::assertSame(['/one', '', '/two/2'], $packets);
        $this->expectException(Malformed::class);
        (new LengthFraming(1000))->push("\x7F\xFF\xFF\xFF");
    }

    /** RFC 1055: END is 300 octal, ESC 333, ESC_END 334, ESC_ESC 335. */
    public function testSlipFramingPartsAStream(): void
    {
        self::assertSame('c0'.'61dbdc62dbdd63'.'c0', bin2hex(SlipFraming::frame("a\xC0b\xDBc")));
        $framing = new SlipFraming();
        $packets = array_merge(
            ...array_map($framing->push(...), str_split(SlipFraming::frame("a\xC0b\xDBc").SlipFraming::frame('/two'))),
        );
        self::assertSame(["a\xC0b\xDBc", '/two'], $packets);
        try {
            $framing->push("\xC0a\xDBb\xC0");
            self::fail('it was taken');
        } catch (Malformed $malformed) {
            self::assertSame(1, $malformed->offset);
        }
        self::assertSame(['next'], $framing->push(SlipFraming::frame('next')), 'the stream goes on');
    }
}
