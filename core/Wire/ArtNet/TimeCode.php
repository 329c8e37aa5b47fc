<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpTimeCode, 0x9700.
 *
 * Source: Art-Net 4 protocol document, "ArtTimeCode" (from memory).
 */
final readonly class TimeCode
{
    public const TYPES = [
        'film, 24 frames a second',
        'EBU, 25 frames a second',
        'drop frame, 29.97 frames a second',
        'SMPTE, 30 frames a second',
    ];
    private const HIGHEST = [
        'Frames' => [14, 29],
        'Seconds' => [15, 59],
        'Minutes' => [16, 59],
        'Hours' => [17, 23],
        'Type' => [18, 3],
    ];

    /** @param int $type 0 film, 1 EBU, 2 drop frame, 3 SMPTE */
    public function __construct(
        public int $hours,
        public int $minutes,
        public int $seconds,
        public int $frames,
        public int $type,
        public int $streamId = 0,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);
        foreach (self::HIGHEST as $name => [$offset, $highest]) {
            if ($values->int($name) > $highest) {
                throw Malformed::outside($name, $values->int($name), 0, $highest, $offset, 'Art-Net 4, ArtTimeCode');
            }
        }

        return new self(
            $values->int('Hours'),
            $values->int('Minutes'),
            $values->int('Seconds'),
            $values->int('Frames'),
            $values->int('Type'),
            $values->int('StreamId'),
        );
    }

    public function encode(): string
    {
        return self::layout()->write([
            'StreamId' => $this->streamId, 'Frames' => $this->frames, 'Seconds' => $this->seconds,
            'Minutes' => $this->minutes, 'Hours' => $this->hours, 'Type' => $this->type,
        ]);
    }

    /** As its clock shows it, with a semicolon before the frames where frames are dropped. */
    public function spelled(): string
    {
        $frames = ($this->type === 2 ? ';' : ':').\sprintf('%02d', $this->frames);

        return \sprintf('%02d:%02d:%02d', $this->hours, $this->minutes, $this->seconds).$frames.', '.self::TYPES[$this->type];
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtTimeCode',
            OpCode::TimeCode,
            19,
            Field::number('Filler1', 1),
            Field::number('StreamId', 1),
            Field::number('Frames', 1, highest: 29),
            Field::number('Seconds', 1, highest: 59),
            Field::number('Minutes', 1, highest: 59),
            Field::number('Hours', 1, highest: 23),
            Field::number('Type', 1, highest: 3)->meaning(static fn(int $type): string => self::TYPES[$type] ?? ''),
        );
    }
}
