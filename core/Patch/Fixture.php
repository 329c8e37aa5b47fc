<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** Something that listens to a run of slots, beginning at its address. */
final readonly class Fixture implements Part
{
    public const HIGHEST_NUMBER = 99999;

    public string $profileId;
    public string $modeId;
    public string $universeId;
    public ?Calibration $calibration;

    /**
     * @param int $first 1 to 512
     * @param int|null $number that people call it by
     * @param string $mark short word for where it hangs: SL, SR
     * @param list<string> $sharesWith ids of fixtures, and of pixel maps, that share slots with it, and are meant to
     * @param list<OwnPrecedence> $precedences
     */
    public function __construct(
        public string $id,
        public string $name,
        string $profile,
        string $universe,
        public int $first,
        public ?int $number = null,
        public string $mark = '',
        public string $place = '',
        string $mode = '',
        public string $note = '',
        public array $sharesWith = [],
        public array $precedences = [],
        ?Calibration $calibration = null,
    ) {
        $this->calibration = $calibration === null || $calibration->isNone() ? null : $calibration;
        $this->profileId = $profile;
        $this->modeId = $mode;
        $this->universeId = $universe;
    }

    public static function label(): string
    {
        return 'Fixture';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            new Id('profile', 'Profile', 'profile', true),
            new Id('mode', 'Mode', 'mode', false),
            Field::universe(),
            Field::whole('first', 'Address, 1 to 512', 1, Frame::SLOTS),
            Field::whole('number', 'Number', 1, self::HIGHEST_NUMBER, null, false),
            Field::textOrNone('mark', 'Mark', 12)->meaning('A short word for where it hangs: SL, SR.'),
            Field::textOrNone('place', 'Place', 80),
            Field::textOrNone('note', 'Note', 1000),
            new Ids('sharesWith', 'Shares slots on purpose with', 'fixture', 64),
            Field::object('calibration', 'Calibration of pan and tilt', Calibration::class, false),
            Field::objects('precedences', 'Parameters that merge otherwise', OwnPrecedence::class, Frame::SLOTS),
        ];
    }
}
