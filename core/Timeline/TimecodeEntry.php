<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Route\Trigger\TimecodeTrigger;
use NimbleJunction\Core\Wire\FrameRate;

/**
 * Time code of the show: it comes from the best source that is alive, goes on for a while when that is lost, and is passed
 * on.
 */
final readonly class TimecodeEntry implements Part
{
    public const MOST = 16;
    public const PATTERN = TimecodeTrigger::PATTERN;
    public const RULE = TimecodeTrigger::RULE;
    private const RATES = ['24', '25', '29.97', '30'];
    private const OSC = '/timecode';
    private const OSC_SAYS = ['seconds', 'text'];
    private const LOST = ['stop', 'frames', 'on'];
    private const TITLES = [
        'stop' => 'it stops at once',
        'frames' => 'it goes on for some frames, then it stops',
        'on' => 'it goes on by itself',
    ];

    /**
     * @param list<string> $from ids of ports whose time code leads, the best one first
     * @param float $offset seconds added to what arrives
     * @param string $lost what happens when it stops arriving: stop, frames or on
     * @param int $frames so many, where it goes on for some
     * @param string $rate frames a second of what we make ourselves, and of all that is sent: 24, 25, 29.97 or 30
     * @param list<string> $sends ids of ports that are sent it: MIDI, Art-Net or OSC
     * @param string $osc OSC address of times that arrive and are sent; '' for the usual one
     * @param string $oscSays what is sent there: seconds or text
     * @param bool $mmc whether machine control of its ports starts it, stops it and puts it somewhere, as long as no time arrives
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
        public string $osc = '',
        public string $oscSays = 'seconds',
        public bool $mmc = false,
        public string $note = '',
    ) {
    }

    public function oscAddress(): string
    {
        return $this->osc === '' ? self::OSC : $this->osc;
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
            (new Ids('from', 'Follows ports, the best one first', 'port', 16))->meaning(
                'MIDI time code, Art-Net time code, or a time by OSC: the first of them that is alive leads.',
            ),
            Field::number('offset', 'Offset (s)', -86_400.0, 86_400.0, 0.0)->meaning('Added to what arrives.'),
            Field::word('lost', 'When it stops arriving', self::LOST, 'frames')->called(self::TITLES),
            Field::whole('frames', 'Frames', 1, 3000, 10)->shownFor('lost', 'frames'),
            Field::word('rate', 'Frames a second, of our own and of what is sent; 29.97 is drop frame', self::RATES, '25'),
            (new Ids('sends', 'Sends it to ports', 'port', 16))->meaning(
                'Whoever leads, at the rate above: by MIDI in quarter frames, a jump is a full frame; by Art-Net and OSC every frame.',
            ),
            Field::flag('mmc', 'MMC of these ports starts, stops and locates it', false),
            Field::pattern(
                'osc',
                'OSC address of times; empty for /timecode',
                MessageAddress::PATTERN,
                MessageAddress::RULE,
                false,
            )->rare(),
            Field::word('oscSays', 'By OSC it says', self::OSC_SAYS, 'seconds')
                ->called(['seconds' => 'seconds since midnight', 'text' => 'a text, like 01:00:00:00'])
                ->rare(),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }
}
