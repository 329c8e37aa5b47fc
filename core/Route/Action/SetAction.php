<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Terms;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Set a point: at once or by a fade, and for as long as it is said. */
final readonly class SetAction implements Action, Checked
{
    private const ENDS = [Terms::STAY, Terms::RELEASE, Terms::FADE];

    /** Kinds of points that somebody gives a value, and can let go again. */
    private const GIVEN = ['slot', 'fixture', 'group', 'pixels', 'hold', 'value', 'look', 'master'];

    private const MERGES = ['latest', 'highest'];

    private Terms $terms;

    /**
     * @param float|null $fade seconds
     * @param float|null $after seconds; null for: when the value comes to 0
     * @param float|null $out seconds
     */
    public function __construct(
        public Reference $point,
        public int|float|string|null $value = null,
        public ?int $priority = null,
        public ?float $fade = null,
        public string $merge = 'latest',
        public string $ends = Terms::STAY,
        public ?float $after = null,
        public ?float $out = null,
    ) {
        $this->terms = new Terms($priority, $merge === 'highest', $fade ?? 0.0, $ends, $after ?? 0.0, $out ?? 1.0);
    }

    public static function kind(): string
    {
        return 'set';
    }

    public static function label(): string
    {
        return 'Set a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::anything('value', 'To; empty for the value that arrives', false),
            Field::number('fade', 'Fade in seconds; empty for at once', 0.0, 3600.0, null, false),
            Field::whole('priority', 'Priority; empty to join whoever is in control', 0, 200, null, false)->rare(),
            Field::word('merge', 'Beside other routes', self::MERGES, 'latest')
                ->meaning(
                    '"latest": whoever acted last has it. "highest": the highest has it, where the universe is merged so.',
                )->rare(),
            Field::word('ends', 'When it ends', self::ENDS, Terms::STAY)
                ->meaning(
                    '"stay": it never ends. "release": it is let go when the value comes to 0. "fade": it fades to what is there without it.',
                ),
            Field::number(
                'after',
                'It ends after seconds; empty for: when the value is 0',
                0.001,
                3600.0,
                null,
                false,
            )->shownFor('ends', Terms::RELEASE, Terms::FADE),
            Field::number('out', 'Fade out seconds', 0.0, 3600.0, 1.0, false)->shownFor('ends', Terms::FADE),
        ];
    }

    public function check(Fields $fields): void
    {
        $fades = $this->fade !== null && $this->fade > 0.0;
        $kinds = implode(', ', self::GIVEN);
        if (! \in_array($this->point->kind, self::GIVEN, true) && ($fades || $this->ends !== Terms::STAY)) {
            $fields->fault(
                $fades ? 'fade' : 'ends',
                "{$this->point->text()} is set at once, and stays so",
                "Fades and ends are for: {$kinds}.",
            );
        }
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        if ($this->ends !== Terms::STAY && $value <= 0.0) {
            $turn->end($this->point, $this->terms);

            return null;
        }
        $to = \is_string($this->value) ? Template::fill($this->value, $value, $event) : $this->value ?? $value;
        $turn->set($this->point, $to, $this->terms);

        return null;
    }

    /** Whether something goes on after it was done: a fade, or an end that comes by itself. */
    public function goesOn(): bool
    {
        return ($this->fade ?? 0.0) > 0.0 || ($this->ends !== Terms::STAY && $this->after !== null);
    }

    public function words(Wording $wording): string
    {
        $when = $this->after === null ? 'when the value is 0' : 'after '.Template::number($this->after).' s';

        return "set {$wording->point($this->point->text())}".($this->value === null ? '' : " to {$this->value}")
            .($this->fade === null || $this->fade <= 0.0 ? '' : ' in '.Template::number($this->fade).' s')
            .match ($this->ends) {
                Terms::RELEASE => ", let go {$when}",
                Terms::FADE => ', fading out in '.Template::number($this->out ?? 1.0)." s {$when}",
                default => '',
            };
    }
}
