<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Asked;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Programme\Wave\Figure;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** A figure becomes waves, in one edit. */
final class FigureDeed
{
    private readonly Figure $figure;

    /** @var list<string> of the waves that it has made */
    public array $ids = [];

    /**
     * @param array<mixed> $asked fields of the figure
     *
     * @throws ShowRefused
     */
    public function __construct(array $asked)
    {
        $read = Asked::of([Figure::class], ['kind' => Figure::kind()] + $asked);
        if (! $read->kind instanceof Figure) {
            throw ShowRefused::because($read->faults);
        }
        $this->figure = $read->kind;
    }

    public function summary(): string
    {
        return "add figure \"{$this->figure->name}\"";
    }

    /** @throws ShowRefused */
    public function apply(Draft $draft): void
    {
        $parameters = $this->figure->parameters(ShowReader::fromArray($draft->document())->patch());
        if ($parameters === []) {
            throw ShowRefused::because([new Fault(
                '/of',
                "\"{$this->figure->of}\" has neither pan nor tilt",
                'Name a group or a fixture whose profile says what pan and tilt are.',
            )]);
        }
        $ids = new FreeIds('waves', $draft->ids('waves'));
        $this->ids = [];
        foreach ($this->figure->waves($parameters) as $wave) {
            $id = $ids->forName((string) $wave['name']);
            $draft->put('waves', $id, ['id' => $id] + $wave);
            $this->ids[] = $id;
        }
    }
}
