<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Merge\MergeRule;
use NimbleJunction\Core\Merge\Swap;
use NimbleJunction\Core\Merge\Swaps;
use NimbleJunction\Core\Universe\LossRule;
use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\ShapeEntry;
use NimbleJunction\Core\Universe\WhenLost;

/** 512 slots of 8 bits: how its sources merge, and what becomes of their levels. */
final readonly class UniverseEntry implements Part
{
    private const USUAL_FADE_SECONDS = 3.0;

    public Rules $rules;

    /**
     * @param float $fadeSeconds used by a fade alone
     * @param list<LevelSpan> $look what that fade ends at; empty for black
     * @param list<SlotSpan> $latest where the latest takes precedence, for merging slot by slot
     * @param string $chosen the port whose sources alone lead; '' for none
     * @param list<Swap> $swaps
     * @param list<ShapeEntry> $shapes later ones lie above earlier ones
     */
    public function __construct(
        public string $id,
        public string $name,
        MergeRule $merge,
        LossRule $whenLost,
        float $fadeSeconds,
        array $look,
        array $latest,
        string $chosen,
        array $swaps,
        public array $shapes,
    ) {
        $this->rules = new Rules(
            $merge,
            new WhenLost($whenLost, (int) round($fadeSeconds * 1e9), $look === [] ? '' : Span::paint($look)),
            Span::paint($latest),
            $chosen,
            swaps: $swaps === [] ? null : new Swaps($swaps),
        );
    }

    public static function label(): string
    {
        return 'Universe';
    }

    public static function fields(): array
    {
        $others = [MergeRule::Htp->value, MergeRule::Ltp->value, MergeRule::Slot->value];

        return [
            Field::id(),
            Field::name(),
            Field::choice('merge', 'Sources merge', MergeRule::class, MergeRule::Htp)
                ->meaning('How sources of equal priority share a slot: highest, latest, slot by slot, or the sources of one chosen port only.'),
            Field::objects('latest', 'Slots where the latest takes precedence', SlotSpan::class, 512)->meaning('For merging slot by slot.'),
            Field::port('chosen', 'The port whose sources alone lead')->only('merge', MergeRule::Chosen->value),
            Field::portOrNone('chosen', 'The port whose sources alone lead')->only('merge', ...$others),
            Field::choice('whenLost', 'When its last source is gone', LossRule::class, LossRule::Hold)
                ->meaning('What becomes of it when its last source is gone: its levels stay, fade to zero, or are no longer sent.'),
            Field::number('fadeSeconds', 'Seconds of that fade', 0.0, 3600.0, self::USUAL_FADE_SECONDS)->meaning('How long that fade takes.'),
            Field::objects('look', 'What that fade ends at', LevelSpan::class, 512)->meaning('Without it, black.'),
            Field::objects('shapes', 'Curves and limits', ShapeEntry::class, 512),
            Field::objects('swaps', 'Slots that change places', Swap::class, 256),
        ];
    }
}
