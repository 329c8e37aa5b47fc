<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Foresight\Foreseen as CoreForeseen;
use NimbleJunction\Core\Foresight\Foresight;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Foreseen;
use NimbleJunction\Engine\Said\ForeseenPoint;
use NimbleJunction\Engine\Said\Said;

/** What a look, a cue or values not kept yet would do, and nothing is sent. */
final readonly class Foresee implements Order
{
    /** Each is put into words, and lamps wait for that. */
    private const MOST = 200;

    /**
     * @param string $look id; '' for none
     * @param string $list id; '' for none
     * @param string $cue its number in the list; '' for the one that is next
     * @param list<PointValue> $values where it is neither
     */
    public function __construct(private string $look, private string $list, private string $cue, private array $values)
    {
    }

    public static function kind(): string
    {
        return 'foresee';
    }

    public static function label(): string
    {
        return 'What a look or a cue would do';
    }

    public static function fields(): array
    {
        return [
            new Id('look', 'Look', 'look', false),
            new Id('list', 'Cue list', 'cue-list', false),
            Field::textOrNone('cue', 'Cue', 20),
            Field::objects('values', 'Values', PointValue::class, 20000),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): string
    {
        return Foreseen::class;
    }

    public function obey(Reach $reach): Said
    {
        $junction = $reach->engine->junction;
        $all = $this->foreseen($junction);
        $moving = array_filter($all, static fn(CoreForeseen $one): bool => $one->isMoving());
        $missing = array_filter(array_diff_key($all, $moving), static fn(CoreForeseen $one): bool => ! $one->isAsWanted());
        $telling = [...array_values($moving), ...array_values($missing)];

        return new Foreseen(
            array_map(
                static fn(CoreForeseen $one): ForeseenPoint => self::said($one, $junction),
                \array_slice($telling, 0, self::MOST),
            ),
            \count($all) - \count($telling),
            max(0, \count($telling) - self::MOST),
        );
    }

    /**
     * @return list<CoreForeseen>
     *
     * @throws CommandRefused
     */
    private function foreseen(Junction $junction): array
    {
        $foresight = new Foresight($junction->plan(), $junction->universes(), $junction->programme, $junction->points());
        $programme = $junction->plan()->programme;
        if ($this->look !== '') {
            return $foresight->look(
                $programme->looks[$this->look] ?? throw new CommandRefused("There is no look \"{$this->look}\" in the show."),
            );
        }
        if ($this->list === '') {
            return $foresight->values($this->values);
        }
        $list = $programme->lists[$this->list] ?? throw new CommandRefused("There is no cue list \"{$this->list}\" in the show.");
        $place = $this->cue === '' ? $junction->programme->lists->nextOf($list->id) : $list->place($this->cue);

        return $foresight->cue(
            $list,
            $place ?? throw new CommandRefused($this->cue === '' ? 'There is no next cue.' : "The list has no cue {$this->cue}."),
        );
    }

    private static function said(CoreForeseen $one, Junction $junction): ForeseenPoint
    {
        $reference = $one->reference();
        $described = $reference === null ? null : $junction->points()->describe($reference);

        return new ForeseenPoint(
            $one->point,
            $described->unit ?? '',
            $one->now(),
            $one->then() ?? '',
            $one->wanted(),
            $one->isAsWanted(),
            $one->why(),
        );
    }
}
