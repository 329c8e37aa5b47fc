<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Sequence;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Do several times: in a row, or every so often, until something is so. */
final readonly class RepeatAction implements Action, Checked
{
    private const MOST_AT_ONCE = 100;

    /**
     * @param float|null $every seconds; null for in a row
     * @param list<Condition> $until looked at before each time; it ends where all of them hold
     * @param list<Action> $do
     */
    public function __construct(public int $times, public array $do = [], public ?float $every = null, public array $until = [])
    {
    }

    public static function kind(): string
    {
        return 'repeat';
    }

    public static function label(): string
    {
        return 'Do several times';
    }

    public static function fields(): array
    {
        return [
            Field::whole('times', 'Times', 1, 100_000),
            Field::number('every', 'Every so many seconds; empty for in a row', 0.025, 3600.0, null, false),
            Field::parts('until', 'Until', 'condition'),
            Field::parts('do', 'Actions', 'action'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->every === null && $this->times > self::MOST_AT_ONCE) {
            $fields->fault(
                'times',
                "it is {$this->times}",
                'In a row it is done up to '.self::MOST_AT_ONCE.' times; say how many seconds lie between for more.',
            );
        }
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        for ($time = $place[0] ?? 0; $time < $this->times; ++$time) {
            $within = \array_slice($place, 1);
            $place = [];
            $isOver = $within === [] && (! $turn->mayRepeat() || ($this->until !== [] && $turn->holds($this->until, $value)));
            if ($isOver) {
                return null;
            }
            $pause = Sequence::perform($this->do, $value, $event, $turn, $within);
            if ($pause !== null) {
                return $pause->within($time);
            }
            if ($this->every !== null && $time + 1 < $this->times) {
                return new Pause($this->every, [$time + 1]);
            }
        }

        return null;
    }

    public function words(Wording $wording): string
    {
        $say = static fn(Action|Condition $one): string => $one->words($wording);

        return "{$this->times} times"
            .($this->every === null ? '' : ', every '.Template::number($this->every).' s')
            .($this->until === [] ? '' : ', until '.implode(' and ', array_map($say, $this->until)))
            .': '.implode(', ', array_map($say, $this->do));
    }
}
