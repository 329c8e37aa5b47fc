<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink\WebSocket;

/** Parts a stream of bytes from a client into messages: fragments are joined, masks taken off (RFC 6455, 5). */
final class FrameReader
{
    public const LONGEST = 1 << 18;

    private string $buffer = '';
    private string $message = '';
    private int $messageOpcode = 0;

    /**
     * @return list<array{int, string}> opcode and payload of each whole message or control frame
     *
     * @throws ProtocolError
     */
    public function push(string $bytes): array
    {
        $this->buffer .= $bytes;
        $messages = [];
        while (($frame = $this->next()) !== null) {
            [$final, $opcode, $payload] = $frame;
            if ($opcode >= 8) {
                $messages[] = [$opcode, $payload];

                continue;
            }
            if ($opcode !== 0 && $this->messageOpcode !== 0) {
                throw new ProtocolError('a new message began before the last one ended', 1002);
            }
            if ($opcode === 0 && $this->messageOpcode === 0) {
                throw new ProtocolError('a continuation came without a beginning', 1002);
            }
            $this->messageOpcode = $opcode === 0 ? $this->messageOpcode : $opcode;
            $this->message .= $payload;
            if (\strlen($this->message) > self::LONGEST) {
                throw new ProtocolError('the message is too long', 1009);
            }
            if ($final) {
                $messages[] = [$this->messageOpcode, $this->message];
                $this->message = '';
                $this->messageOpcode = 0;
            }
        }

        return $messages;
    }

    /**
     * @return array{bool, int, string}|null final, opcode, payload; null until a whole frame is there
     *
     * @throws ProtocolError
     */
    private function next(): ?array
    {
        $there = \strlen($this->buffer);
        if ($there < 2) {
            return null;
        }
        $first = \ord($this->buffer[0]);
        $second = \ord($this->buffer[1]);
        $opcode = $first & 15;
        $final = ($first & 0x80) !== 0;
        if (($first & 0x70) !== 0 || ! \in_array($opcode, [0, 1, 2, 8, 9, 10], true)) {
            throw new ProtocolError('reserved bits or an unknown opcode', 1002);
        }
        if (($second & 0x80) === 0) {
            throw new ProtocolError('a client must mask its frames', 1002);
        }
        $length = $second & 127;
        if ($opcode >= 8 && (! $final || $length > 125)) {
            throw new ProtocolError('a control frame must be whole and short', 1002);
        }
        $head = 2 + match ($length) {
            126 => 2,
            127 => 8,
            default => 0,
        };
        if ($there < $head + 4) {
            return null;
        }
        if ($length >= 126) {
            $length = (int) hexdec(bin2hex(substr($this->buffer, 2, $head - 2)));
        }
        if ($length > self::LONGEST) {
            throw new ProtocolError('the frame is too long', 1009);
        }
        if ($there < $head + 4 + $length) {
            return null;
        }
        $mask = substr($this->buffer, $head, 4);
        $payload = substr($this->buffer, $head + 4, $length);
        $this->buffer = substr($this->buffer, $head + 4 + $length);

        return [$final, $opcode, $payload ^ str_repeat($mask, intdiv($length, 4) + 1)];
    }
}
