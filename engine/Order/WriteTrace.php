<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\NumberList;
use NimbleJunction\Core\Export\TraceExport;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Said\TraceFile;

/** Events of the trace as a file: all of them, or those that a page shows. */
final readonly class WriteTrace implements Order, InShowMode
{
    private const JSON_LINES = 'json lines';
    private const PCAPNG = 'pcapng';
    private const MOST = 1000;

    /** @param list<float> $events serial numbers; none for all */
    public function __construct(private string $format, private array $events)
    {
    }

    public static function kind(): string
    {
        return 'write-trace';
    }

    public static function label(): string
    {
        return 'Write the trace';
    }

    public static function fields(): array
    {
        return [
            Field::word('format', 'Format', [self::JSON_LINES, self::PCAPNG]),
            (new NumberList(
                'events',
                'Events',
                self::MOST,
                0,
                PHP_INT_MAX,
                false,
            ))->meaning('Serial numbers of the events; none for all.'),
        ];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return TraceFile::class;
    }

    public function obey(Reach $reach): Said
    {
        $serials = $this->events === [] ? null : array_map(static fn(float $one): int => (int) $one, $this->events);
        $junction = $reach->engine->junction;
        $events = $junction->trace->events($serials);
        if ($events === []) {
            throw new CommandRefused('None of these events is in the trace any longer: it keeps the newest ones.');
        }
        $wall = (int) (microtime(true) * 1_000_000_000) - Engine::now();
        $export = new TraceExport($junction->names(), $reach->engine->show()->ports, $wall);
        $content = $this->format === self::PCAPNG ? $export->pcapng($events) : $export->jsonLines($events);

        return new TraceFile(
            'trace-'.gmdate('Ymd-His').($this->format === self::PCAPNG ? '.pcapng' : '.jsonl'),
            base64_encode($content),
            \count($events),
            $serials === null ? 0 : \count($serials) - \count($events),
        );
    }
}
