<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Shows\Draft;
use App\Shows\FreeIds;
use App\Shows\PartMissing;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Furnishing\Template;
use NimbleJunction\Core\Furnishing\Templates;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** A surface is given pages by a template. */
final readonly class TemplateDeed
{
    private Template $template;

    /**
     * @param array<mixed> $asked
     *
     * @throws ShowRefused
     */
    public function __construct(private string $surface, array $asked)
    {
        $this->template = Templates::read($asked);
    }

    public function summary(): string
    {
        return 'add pages to surface "'.$this->surface.'": '.mb_strtolower($this->template::label());
    }

    public function apply(Draft $draft): void
    {
        $draft->read('surfaces', [$this->surface]);
        $part = $draft->part('surfaces', $this->surface) ?? throw new PartMissing(
            "There is no surface \"{$this->surface}\": it may have been deleted on another page.",
        );
        $pages = $this->template->pages(ShowReader::fromArray($draft->document()));
        if ($pages === []) {
            throw ShowRefused::because([new Fault(
                '',
                'this show has nothing for that',
                'Choose another template, or add what it is about first.',
            )]);
        }
        $before = \is_array($part['pages'] ?? null) ? array_values($part['pages']) : [];
        $controls = array_merge(...array_map(
            static fn(mixed $page): array => \is_array($page) && \is_array($page['controls'] ?? null) ? $page['controls'] : [],
            $before,
        ));
        $pageIds = new FreeIds('pages', array_column($before, 'id'));
        $ids = new FreeIds('controls', array_column($controls, 'id'));
        foreach ($pages as $page) {
            $fresh = [];
            foreach (\is_array($page['controls'] ?? null) ? $page['controls'] : [] as $control) {
                $fresh[] = [...$control, 'id' => $ids->forName((string) $control['id'])];
            }
            $before[] = [...$page, 'id' => $pageIds->forName((string) $page['id']), 'controls' => $fresh];
        }
        $draft->put('surfaces', $this->surface, [...$part, 'pages' => $before]);
    }
}
