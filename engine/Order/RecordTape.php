<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Tape\TapeLabel;

/** What arrives at ports is recorded on a tape, until somebody ends that. */
final readonly class RecordTape implements Order
{
    /** @param list<string> $ports ids; none for all that receive */
    public function __construct(private string $name, private array $ports, private bool $ends)
    {
    }

    public static function kind(): string
    {
        return 'record-tape';
    }

    public static function label(): string
    {
        return 'Record a tape';
    }

    public static function fields(): array
    {
        return [
            Field::textOrNone('name', 'Name', TapeLabel::LONGEST_NAME),
            new Ids('ports', 'Ports; none for all', 'port', 512),
            Field::flag('ends', 'The recording ends', false),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $deck = $reach->deck();
        $reach->done(
            $this->ends
                ? $deck->endRecording()
                : $deck->record($this->name === '' ? 'Tape '.date('Y-m-d H:i') : $this->name, $this->ports),
        );

        return null;
    }
}
