<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Universe;

/** What the trace tells of senders that come, change and go. */
final readonly class SourceTrace
{
    /** Many nodes merge two sources of Art-Net, and leave a third out (Art-Net 4, "merging", from memory). */
    private const USUALLY_MERGED = 2;

    public function __construct(private Trace $trace)
    {
    }

    /** @param int $number how many sources the universe has now, this one included */
    public function came(Universe $universe, Source $source, int $number, int $now): void
    {
        $values = self::values($universe, $source);
        $title = new Said('New source for {universe}: {name} ({address}), priority {priority}', $values);
        $event = $this->trace->begin(Kind::Source, "new {$universe->id} {$source->key}", $source->portId, $title, $now);
        $this->trace->hop($event, Step::Heard, new Said('{port} heard {name} from {address} for the first time', $values));
        if ($source->preview) {
            $this->trace->hop($event, Step::Note, 'It says that its levels are a preview: they are shown, and not merged');
        }
        if ($number > self::USUALLY_MERGED) {
            $words = 'It is source number {number} here: we merge it, but many Art-Net nodes merge two and leave a third out';
            $this->trace->hop($event, Step::Note, new Said($words, ['number' => $number]));
        }
    }

    public function foundNoRoom(Universe $universe, Source $source, int $now): void
    {
        $words = '{name} ({address}) is not merged into {universe}: it has {most} sources already';
        $said = new Said($words, ['most' => Universe::MOST_SOURCES] + self::values($universe, $source));
        $this->trace->note(Kind::Refused, "full {$universe->id}", $source->portId, Step::Refused, $said, $now);
    }

    /** @param string $why to follow its name: "was not heard for 2.5 s" */
    public function went(Universe $universe, Source $source, string $why, int $now): void
    {
        $values = ['why' => $why] + self::values($universe, $source);
        $title = new Said('Lost source for {universe}: {name} ({address}) {why}', $values);
        $event = $this->trace->begin(Kind::Source, "lost {$universe->id} {$source->key}", $source->portId, $title, $now);
        $this->trace->hop($event, Step::Note, new Said('{name} {why}', $values));
        if ($universe->control()->senders === []) {
            $this->trace->hop($event, Step::Note, 'No source is left: '.$universe->rules()->whenLost->words());
        }
    }

    public function hasAnotherPriority(Universe $universe, Source $source, int $before, int $now): void
    {
        $words = '{name} now sends {universe} with priority {priority}, before {before}';
        $said = new Said($words, ['before' => $before] + self::values($universe, $source));
        $this->trace->note(Kind::Source, "rank {$universe->id} {$source->key}", $source->portId, Step::Changed, $said, $now);
    }

    /** @param bool $gives whether its slots have priorities of their own now */
    public function ranksSlots(Universe $universe, Source $source, bool $gives, int $now): void
    {
        $words = $gives
            ? '{name} gives single slots of {universe} priorities of their own'
            : '{name} no longer gives single slots of {universe} priorities of their own';
        $this->trace->note(
            Kind::Source,
            "slots {$universe->id} {$source->key}",
            $source->portId,
            Step::Changed,
            new Said($words, self::values($universe, $source)),
            $now,
        );
    }

    /**
     * Somebody else leads than before.
     *
     * @param string $were who led, as leaders() says it
     */
    public function leads(Universe $universe, string $were, string $portId, int $now): void
    {
        $are = self::leaders($universe);
        if ($are === $were || $are === '' || $were === '') {
            return;
        }
        $rule = \count($universe->control()->senders) > 1 ? ', merged '.$universe->rules()->merge->spelled() : '';
        $values = ['universe' => $universe->id, 'are' => $are, 'rule' => $rule, 'were' => $were];
        $said = new Said('{universe} is now led by {are}{rule}; before by {were}', $values);
        $this->trace->note(Kind::Source, "leads {$universe->id}", $portId, Step::Changed, $said, $now);
    }

    /** What is done without a source that is gone, in words. */
    public static function meanwhile(Universe $universe, string $name): string
    {
        $leaders = self::leaders($universe);

        return $leaders === '' ? "{$name}: {$universe->rules()->whenLost->words()}" : "{$name}: {$leaders} in control";
    }

    public static function leaders(Universe $universe): string
    {
        $names = array_map(
            static fn(Source $source): string => "{$source->name} (priority {$source->priority})",
            $universe->control()->senders,
        );

        return implode(' and ', $names);
    }

    /** @return array<string, int|string> */
    private static function values(Universe $universe, Source $source): array
    {
        return [
            'universe' => $universe->id,
            'port' => $source->portId,
            'name' => $source->name,
            'address' => $source->address,
            'priority' => $source->priority,
        ];
    }
}
