<?php

declare(strict_types=1);

namespace App\Shows;

use App\Exchange\SceneFile;
use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Gdtf\SceneFixture;
use NimbleJunction\Core\Gdtf\Taken;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\TypedAddress;

/** The fixtures of a scene (MVR) come into a show, with the profiles and universes that they need. */
final class SceneIn
{
    /** What says which numbers universes have; the rest names fixtures, or has nothing to do with it. */
    private const NUMBERED = ['format' => 0, 'version' => 0, 'name' => 0, 'universes' => 0, 'ports' => 0];

    /** @var list<string> what was not taken in, in words */
    public array $left = [];

    /** @var array{fixtures: int, profiles: int, universes: int} how many were added */
    public array $added = ['fixtures' => 0, 'profiles' => 0, 'universes' => 0];

    /**
     * @var array<string, array{string, array<string, string>}|null> profile and its modes by name, by the file that a fixture
     * names; null where it cannot be taken
     */
    private array $types = [];

    /** @var array<int, string> our universe by its number in the scene */
    private array $universes = [];

    public function __construct(private readonly SceneFile $file)
    {
    }

    public function apply(Draft $draft): void
    {
        $this->left = $this->file->scene->left;
        $ids = new FreeIds('fixtures', $draft->ids('fixtures'));
        foreach ($this->file->scene->fixtures as $fixture) {
            $type = $this->type($draft, $fixture->spec);
            if ($type === null) {
                $this->left[] = "\"{$fixture->name}\", as its fixture type is not there";

                continue;
            }
            [$profile, $modes] = $type;
            $mode = $modes[mb_strtolower($fixture->mode)] ?? array_values($modes)[0] ?? '';
            if ($modes !== [] && ! isset($modes[mb_strtolower($fixture->mode)])) {
                $this->left[] = "the mode \"{$fixture->mode}\" of \"{$fixture->name}\": it is in the first one";
            }
            $draft->put('fixtures', $ids->forName($fixture->name), array_filter([
                'name' => $fixture->name,
                'number' => $fixture->number,
                'place' => $fixture->place,
                'profile' => $profile,
                'mode' => $mode,
                'universe' => $this->universe($draft, $fixture),
                'first' => $fixture->slot,
            ], static fn(mixed $value): bool => $value !== null && $value !== ''));
            ++$this->added['fixtures'];
        }
        $draft->isBroughtAlong = true;
    }

    /** @return array{string, array<string, string>}|null */
    private function type(Draft $draft, string $spec): ?array
    {
        if (\array_key_exists($spec, $this->types)) {
            return $this->types[$spec];
        }
        try {
            $taken = $this->file->type($spec);
        } catch (NotTaken $refused) {
            $this->left[] = "\"{$spec}\": {$refused->problem}";

            return $this->types[$spec] = null;
        }
        foreach ($taken->left as $words) {
            $this->left[] = "\"{$spec}\": {$words}";
        }
        $id = (new FreeIds('profiles', $draft->ids('profiles')))->forName(self::nameOf($taken));
        $draft->put('profiles', $id, $taken->profile);
        ++$this->added['profiles'];

        return $this->types[$spec] = [$id, self::modes($taken)];
    }

    /** The universe that has this number here; a new one where none has. */
    private function universe(Draft $draft, SceneFixture $fixture): string
    {
        if (! isset($this->universes[$fixture->universe])) {
            $show = ShowReader::fromArray(array_intersect_key($draft->document(), self::NUMBERED));
            $known = TypedAddress::read("{$fixture->universe}.1", $show)->ways[0]['universe'] ?? null;
            if ($known === null) {
                $known = (new FreeIds('universes', $draft->ids('universes')))->forName("Universe {$fixture->universe}");
                $draft->put('universes', $known, ['name' => "Universe {$fixture->universe}"]);
                ++$this->added['universes'];
            }
            $this->universes[$fixture->universe] = $known;
        }

        return $this->universes[$fixture->universe];
    }

    private static function nameOf(Taken $taken): string
    {
        return \is_string($taken->profile['name'] ?? null) ? $taken->profile['name'] : 'Profile';
    }

    /** @return array<string, string> ids by name in small letters */
    private static function modes(Taken $taken): array
    {
        $modes = [];
        foreach (\is_array($taken->profile['modes'] ?? null) ? $taken->profile['modes'] : [] as $mode) {
            if (\is_array($mode) && \is_string($mode['name'] ?? null) && \is_string($mode['id'] ?? null)) {
                $modes[mb_strtolower($mode['name'])] = $mode['id'];
            }
        }

        return $modes;
    }
}
