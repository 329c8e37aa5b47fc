<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Patching\Deed;
use NimbleJunction\Core\Patching\Followers;
use NimbleJunction\Core\Patching\Laid;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** Something that is done to the patch in one go, as one edit. */
final class PatchDeed
{
    /** @var list<string> ids of the fixtures that were added */
    public array $added = [];

    public function __construct(private readonly Deed $deed)
    {
    }

    /** @throws ShowRefused */
    public function apply(Draft $draft): void
    {
        $ids = new FreeIds('fixtures', $draft->ids('fixtures'));
        foreach ($this->deed->lay(ShowReader::fromArray($draft->document())) as $laid) {
            if ($laid->id !== '') {
                $draft->put('fixtures', $laid->id, self::with($draft->part('fixtures', $laid->id) ?? [], $laid->fields));
            } else {
                $id = $ids->forName(\is_string($laid->fields['name'] ?? null) ? $laid->fields['name'] : '');
                $like = $laid->like === '' ? [] : $draft->part('fixtures', $laid->like) ?? [];
                $draft->put('fixtures', $id, self::with(array_diff_key($like, ['id' => true]), $laid->fields));
                $this->added[] = $id;
                $this->follow($draft, $laid, $id);
            }
        }
    }

    /** Routes that drive the one drive its clone too, and those that wait for the one are there for its clone. */
    private function follow(Draft $draft, Laid $laid, string $id): void
    {
        if ($laid->like === '') {
            return;
        }
        $followers = new Followers($laid->like, $id);
        $around = new Neighbourhood($draft);
        $around->addWhoNames('fixtures', [$laid->like], ['routes']);
        $new = new FreeIds('routes', $draft->ids('routes'));
        foreach ($around->ids('routes') as $route) {
            $part = $draft->part('routes', $route) ?? [];
            $draft->put('routes', $route, $followers->driven($part));
            $waiting = $followers->waiting($part);
            if ($waiting !== null) {
                $name = (\is_string($part['name'] ?? null) ? $part['name'] : $route).': '.($laid->fields['name'] ?? $id);
                $draft->put('routes', $new->forName($name), [...$waiting, 'name' => mb_substr($name, 0, 120)]);
            }
        }
    }

    /**
     * @param array<mixed> $part
     * @param array<string, mixed> $fields null takes one away
     *
     * @return array<mixed>
     */
    private static function with(array $part, array $fields): array
    {
        return array_filter([...$part, ...$fields], static fn(mixed $value): bool => $value !== null);
    }
}
