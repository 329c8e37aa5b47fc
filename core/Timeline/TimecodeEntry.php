<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Trigger\TimecodeTrigger;
use NimbleJunction\Core\Wire\FrameRate;

/** Time code of the show: it comes from the best source that is alive, goes on for a while when that is lost, and is passed on. */
final readonly class TimecodeEntry implements Part
{
    public const MOST = 16;
    public const PATTERN = TimecodeTrigger::PATTERN;
    public const RULE = TimecodeTrigger::RULE;
    private const RATES = ['24', '25', '29.97', '30'];
    private const LOST = ['stop', 'frames', 'on'];
    private const TITLES = ['stop' => 'it stops at once', 'frames' => 'it goes on for some frames, then it stops', 'on' => 'it goes on by itself'];

    /**
     * @param list<string> $from ids of ports whose time code leads, the best one first
     * @param float $offset seconds added to what arrives
     * @param string $lost what happens when it stops arriving: stop, frames or on
     * @param int $frames so many, where it goes on for some
     * @param string $rate frames a second of what we make ourselves, and of all that is sent: 24, 25, 29.97 or 30
     * @param list<string> $sends ids of MIDI ports that are sent it
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $from = [],
        public float $offset = 0.0,
        public string $lost = 'frames',
        public int $frames = 10,
        public string $rate = '25',
        public array $sends = [],
        public string $note = '',
    ) {
    }

    public function frameRate(): FrameRate
    {
        return match ($this->rate) {
            '24' => FrameRate::Film,
            '29.97' => FrameRate::DropFrame,
            '30' => FrameRate::Smpte,
            default => FrameRate::Ebu,
        };
    }

    public static function label(): string
    {
        return 'Time code';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            (new Ids('from', 'Follows ports, the best one first', 'port', 16))->meaning('MIDI time code or Art-Net time code: the first of them that is alive leads.'),
            Field::number('offset', 'Offset (s)', -86_400.0, 86_400.0, 0.0)->meaning('Added to what arrives.'),
            Field::word('lost', 'When it stops arriving', self::LOST, 'frames')->called(self::TITLES),
            Field::whole('frames', 'Frames', 1, 3000, 10)->shownFor('lost', 'frames'),
            Field::word('rate', 'Frames a second, of our own and of what is sent; 29.97 is drop frame', self::RATES, '25'),
            (new Ids('sends', 'Sends MIDI time code to ports', 'port', 16))->meaning('In quarter frames, whoever leads, at the rate above; a jump is a full frame.'),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }
}
