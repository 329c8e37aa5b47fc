<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/**
 * Reads a scene (MVR): its fixtures with their addresses, modes and places.
 *
 * Source: DIN SPEC 15801 (from memory).
 */
final class SceneReader
{
    private const MOST = 5000;

    /** @var list<SceneFixture> */
    public array $fixtures = [];

    /** @var list<string> what was not taken in, in words */
    public array $left = [];

    /** @var array<string, int> what else stands in the scene, by its name */
    private array $others = [];

    /** @var array<string, string> names of positions by uuid */
    private array $positions = [];

    private function __construct()
    {
    }

    /** @throws NotTaken */
    public static function fromXml(string $xml): self
    {
        $root = Element::read($xml);
        $scene = $root->name === 'GeneralSceneDescription' ? $root->first('Scene') : null;
        if ($scene === null) {
            throw new NotTaken('Its description describes no scene.', 'Give an MVR file.');
        }
        $reader = new self();
        foreach ($scene->all('AUXData', 'Position') as $position) {
            $reader->positions[$position->get('uuid')] = $position->get('name');
        }
        foreach ($scene->all('Layers', 'Layer') as $layer) {
            $reader->walk($layer);
        }
        foreach ($reader->others as $name => $count) {
            $reader->left[] = "{$count} × {$name}";
        }

        return $reader;
    }

    private function walk(Element $around): void
    {
        foreach ($around->all('ChildList') as $list) {
            foreach ($list->children as $child) {
                if ($child->name === 'Fixture') {
                    $this->take($child);
                } elseif ($child->name !== 'GroupObject') {
                    $this->others[$child->name] = ($this->others[$child->name] ?? 0) + 1;
                }
                $this->walk($child);
            }
        }
    }

    private function take(Element $fixture): void
    {
        if (\count($this->fixtures) >= self::MOST) {
            throw new NotTaken('It has more than '.self::MOST.' fixtures.', 'A show holds so many.');
        }
        $text = static fn(string ...$path): string => trim($fixture->first(...$path)->text ?? '');
        $name = FixtureTypes::text($fixture->get('name'), 120, 'Fixture');
        $addresses = $fixture->all('Addresses', 'Address');
        $address = self::absolute(trim($addresses[0]->text ?? ''));
        if (\count($addresses) > 1) {
            $this->left[] = "\"{$name}\": its further addresses";
        }
        if ($address === null) {
            $this->left[] = "\"{$name}\", which has no DMX address";

            return;
        }
        $number = $text('FixtureID');
        $this->fixtures[] = new SceneFixture(
            $name,
            preg_match('/^\d{1,5}$/D', $number) === 1 && (int) $number > 0 ? (int) $number : null,
            $text('GDTFSpec'),
            $text('GDTFMode'),
            intdiv($address - 1, 512) + 1,
            ($address - 1) % 512 + 1,
            FixtureTypes::text($this->positions[$text('Position')] ?? '', 80, ''),
        );
    }

    /** @return int|null counted through from 1; null where none is given. "1125" and "3.101" are the same */
    private static function absolute(string $text): ?int
    {
        if (
            preg_match('/^(\d{1,5})\.(\d{1,3})$/D', $text, $found) === 1
            && (int) $found[1] >= 1
            && (int) $found[2] >= 1
            && (int) $found[2] <= 512
        ) {
            return ((int) $found[1] - 1) * 512 + (int) $found[2];
        }

        return preg_match('/^\d{1,8}$/D', $text) === 1 && (int) $text >= 1 ? (int) $text : null;
    }
}
