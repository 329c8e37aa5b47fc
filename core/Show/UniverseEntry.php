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
    private const MERGES = [
        'htp' => 'HTP: highest takes precedence',
        'ltp' => 'LTP: latest takes precedence',
        'slot' => 'Slot by slot: HTP, or LTP',
        'chosen' => 'Only the sources of one chosen port',
    ];

    private const LOSSES = [
        'hold' => 'its last levels stay',
        'fade' => 'it fades to black, or to levels',
        'stop' => 'nothing more is sent',
    ];

    private const USUAL_FADE_SECONDS = 3.0;

    public Rules $rules;

    /**
     * @param float $fadeSeconds used by a fade alone
     * @param list<LevelSpan> $look what that fade ends at; empty for black
     * @param list<SlotSpan> $latest where the latest takes precedence, for merging slot by slot
     * @param string $chosen the port whose sources alone lead; '' for none
     * @param list<Swap> $swaps
     * @param bool $rawLights whether slots at which nothing is known to listen are intensities
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
        public bool $rawLights = false,
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
            Field::choice('merge', 'Merge mode', MergeRule::class, MergeRule::Htp)
                ->called(self::MERGES)
                ->meaning(
                    'How sources of equal priority share a slot: highest, latest, slot by slot, or the sources of one chosen port only.',
                ),
            Field::objects('latest', 'LTP slots, besides what the patch knows', SlotSpan::class, 512)
                ->shownFor('merge', MergeRule::Slot->value)
                ->meaning('For merging slot by slot: parameters of the patch that are no intensity are LTP anyway.'),
            Field::port('chosen', 'Chosen port')->only('merge', MergeRule::Chosen->value),
            Field::portOrNone('chosen', 'Chosen port')->only('merge', ...$others)->shownFor('merge', MergeRule::Chosen->value),
            Field::choice('whenLost', 'When all sources are lost', LossRule::class, LossRule::Hold)
                ->called(self::LOSSES)
                ->meaning('What becomes of it when all sources are lost: its levels stay, fade, or are no longer sent.'),
            Field::number('fadeSeconds', 'Fade time (s)', 0.0, 3600.0, self::USUAL_FADE_SECONDS)
                ->shownFor('whenLost', LossRule::Fade->value)
                ->meaning('How long that fade takes.'),
            Field::objects('look', 'Levels it fades to', LevelSpan::class, 512)
                ->shownFor('whenLost', LossRule::Fade->value)
                ->meaning('Without it, black.'),
            Field::objects('shapes', 'Output curves and limits', ShapeEntry::class, 512),
            Field::flag('rawLights', 'Slots without a fixture are intensities', false)
                ->meaning('Masters and blackout act on them too.')->rare(),
            Field::objects('swaps', 'Swapped slots', Swap::class, 256),
        ];
    }
}
