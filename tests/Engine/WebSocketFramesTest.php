<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\LiveLink\Gate;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Engine\LiveLink\WebSocket\Frame;
use NimbleJunction\Engine\LiveLink\WebSocket\FrameReader;
use NimbleJunction\Engine\LiveLink\WebSocket\Handshake;
use NimbleJunction\Engine\LiveLink\WebSocket\ProtocolError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WebSocketFramesTest extends TestCase
{
    /** RFC 6455, 1.3: the sample handshake. */
    public function testTheSampleHandshake(): void
    {
        $handshake = Handshake::read(
            "GET /chat?token=abc HTTP/1.1\r\nHost: server.example.com\r\nUpgrade: websocket\r\nConnection: keep-alive, Upgrade\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nOrigin: http://example.com\r\nSec-WebSocket-Version: 13",
        );
        self::assertNotNull($handshake);
        self::assertStringContainsString('Sec-WebSocket-Accept: s3pPLMBiTxaQ9kYGzzhZRbK+xOo=', $handshake->accept());
        self::assertSame('abc', $handshake->token);
        self::assertNull(Handshake::read("GET / HTTP/1.1\r\nHost: x"));
    }

    /** RFC 6455, 5.7: a single-frame unmasked text, unmasked ping, and lengths of 256 and 65536 bytes. */
    public function testTheExamplesThatAServerSends(): void
    {
        self::assertSame('810548656c6c6f', bin2hex(Frame::encode(Frame::TEXT, 'Hello')));
        self::assertSame('890548656c6c6f', bin2hex(Frame::encode(Frame::PING, 'Hello')));
        self::assertSame('827e0100', bin2hex(substr(Frame::encode(Frame::BINARY, str_repeat('x', 256)), 0, 4)));
        self::assertSame('827f0000000000010000', bin2hex(substr(Frame::encode(Frame::BINARY, str_repeat('x', 65536)), 0, 10)));
    }

    /** RFC 6455, 5.7: a single-frame masked text and a masked pong. */
    public function testTheExamplesThatAClientSends(): void
    {
        $reader = new FrameReader();
        self::assertSame([[Frame::TEXT, 'Hello']], $reader->push((string) hex2bin('818537fa213d7f9f4d5158')));
        self::assertSame([[Frame::PONG, 'Hello']], $reader->push((string) hex2bin('8a8537fa213d7f9f4d5158')));
    }

    public function testFragmentsArriveByteByByteWithAPingBetween(): void
    {
        $reader = new FrameReader();
        $stream = self::masked(0x01, 'Hel').self::masked(0x89, 'p').self::masked(0x80, str_repeat('lo', 400));
        $heard = [];
        foreach (str_split($stream) as $byte) {
            array_push($heard, ...$reader->push($byte));
        }
        self::assertSame([[Frame::PING, 'p'], [Frame::TEXT, 'Hel'.str_repeat('lo', 400)]], $heard);
    }

    /** @return iterable<string, array{string, int}> */
    public static function broken(): iterable
    {
        yield 'not masked' => [(string) hex2bin('810548656c6c6f'), 1002];
        yield 'reserved bit' => [(string) hex2bin('c18537fa213d7f9f4d5158'), 1002];
        yield 'unknown opcode' => [(string) hex2bin('838537fa213d7f9f4d5158'), 1002];
        yield 'a continuation of nothing' => [self::masked(0x80, 'x'), 1002];
        yield 'a second beginning' => [self::masked(0x01, 'x').self::masked(0x81, 'y'), 1002];
        yield 'a ping in parts' => [self::masked(0x09, 'x'), 1002];
        yield 'too long' => ["\x82\xFF".pack('J', 1 << 40).'mask', 1009];
    }

    #[DataProvider('broken')]
    public function testBrokenFramesEndTheLinkWithTheRightCode(string $bytes, int $code): void
    {
        $this->expectException(ProtocolError::class);
        $this->expectExceptionCode($code);
        (new FrameReader())->push($bytes);
    }

    public function testTokensAreSignedAndShortLived(): void
    {
        $token = Token::sign('Ada', Role::Operator, 'secret', 1000);
        self::assertSame(Role::Operator, Token::verify($token, 'secret', 1060)?->role);
        self::assertNull(Token::verify($token, 'secret', 1061));
        self::assertNull(Token::verify($token, 'another', 1000));
        [$body, $mac] = explode('.', $token);
        $forged = rtrim(strtr(base64_encode('["Ada","builder",9999999999]'), '+/', '-_'), '=');
        self::assertNull(Token::verify("{$forged}.{$mac}", 'secret', 1000));
        self::assertNull(Token::verify('', 'secret', 1000));
        self::assertNotSame('', $body);
    }

    public function testTheGateAsksForOneOfOurPages(): void
    {
        $gate = new Gate('secret', ['https://show.example']);
        $again = '';
        $ask = static function (string $origin, ?string $token = null) use ($gate, &$again): ?Token {
            $again = $token ??= Token::sign('Ada', Role::Viewer, 'secret', 1000);

            return $gate->admit(
                Handshake::read(
                    "GET /?token={$token} HTTP/1.1\r\nHost: 127.0.0.1:8081\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n{$origin}Sec-WebSocket-Version: 13",
                ) ?? self::fail(),
                1000,
            );
        };
        self::assertNotNull($ask("Origin: http://127.0.0.1:8080\r\n"), 'the same host');
        self::assertNull($ask("Origin: http://127.0.0.1:8080\r\n", $again), 'a token is good for one link');
        self::assertNotNull($ask("Origin: https://show.example\r\n"), 'a host that is allowed');
        self::assertNull($ask("Origin: http://evil.example\r\n"));
        self::assertNull($ask(''), 'no page at all');
    }

    private static function masked(int $first, string $payload): string
    {
        $mask = "\x11\x22\x33\x44";
        $length = \strlen($payload);

        return \chr($first).($length < 126 ? \chr(0x80 | $length) : \chr(0xFE).pack('n', $length)).$mask
            .($payload ^ str_repeat($mask, intdiv($length, 4) + 1));
    }
}
