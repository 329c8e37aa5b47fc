<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Patch\Profile;

/**
 * Reads a fixture type (GDTF): its modes, channels, functions and sets, wheels and repeated geometries, as a profile. What
 * it says besides is listed, each thing by name.
 *
 * Source: DIN SPEC 15800 (from memory).
 */
final class FixtureTypes
{
    /** What a fixture type has that no profile says: it is named where it is there. */
    private const NOT_TAKEN = [
        'Models' => 'its shapes',
        'PhysicalDescriptions' => 'what it weighs, how bright it is, its emitters and filters',
        'FTPresets' => 'its presets',
        'Revisions' => 'its revisions',
        'Protocols' => 'other protocols that it speaks',
    ];

    /** @throws NotTaken */
    public static function fromXml(string $xml): Taken
    {
        $root = Element::read($xml);
        $type = $root->name === 'GDTF' ? $root->first('FixtureType') : null;
        if ($type === null) {
            throw new NotTaken('Its description describes no fixture type.', 'Give a GDTF file (DIN SPEC 15800).');
        }
        $left = [];
        foreach (self::NOT_TAKEN as $name => $words) {
            $parts = $type->first($name)->children ?? [];
            if ($parts !== []) {
                $left[] = ucfirst($words)." ({$name})";
            }
        }
        $attributes = [];
        foreach ($type->all('AttributeDefinitions', 'Attributes', 'Attribute') as $one) {
            $attributes[$one->get('Name')] = $one;
        }
        $wheels = Wheels::of($type);
        $modes = $names = [];
        foreach ($type->all('DMXModes', 'DMXMode') as $mode) {
            $channels = new ModeReader($mode, $type, $attributes, $wheels);
            $names[] = self::text($mode->get('Name'), 80, 'Mode '.(\count($modes) + 1));
            $modes[] = $channels->meanings();
            array_push($left, ...$channels->left());
        }
        if ($modes === []) {
            throw new NotTaken('It has no DMX mode.', 'Give a fixture that listens to DMX.');
        }
        $profile = self::profile($type, $modes, $names);
        self::check($profile);

        return new Taken($profile, array_values(array_unique($left)));
    }

    /** A text of at most so many characters, as names are. */
    public static function text(string $text, int $longest, string $usual): string
    {
        $clean = trim((string) preg_replace('/[\x00-\x1F]+/', ' ', mb_scrub($text)));

        return $clean === '' ? $usual : mb_substr($clean, 0, $longest);
    }

    /**
     * @param list<array<string, mixed>> $modes with what their slots mean
     * @param list<string> $names of them
     *
     * @return array<string, mixed>
     */
    private static function profile(Element $type, array $modes, array $names): array
    {
        $maker = self::text($type->get('Manufacturer'), 80, '');
        $note = self::text($type->get('Description'), 1000, '');
        $ids = [];
        foreach ($modes as $i => $mode) {
            $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($names[$i])), '-');
            $id = substr($id, 0, 50) ?: 'mode';
            $ids[$id] = ($ids[$id] ?? 0) + 1;
            $modes[$i] = ['id' => $ids[$id] > 1 ? "{$id}-{$ids[$id]}" : $id, 'name' => $names[$i], ...$mode];
        }

        return [
            'name' => self::text($type->get('Name'), 120, self::text($type->get('LongName'), 120, 'Fixture')),
            ...($maker === '' ? [] : ['maker' => $maker]),
            ...(\count($modes) === 1 ? array_diff_key($modes[0], ['id' => 0, 'name' => 0]) : ['modes' => $modes]),
            ...($note === '' ? [] : ['note' => $note]),
        ];
    }

    /** @param array<string, mixed> $profile */
    private static function check(array $profile): void
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        Reading::with(new Kinds())->part(new Fields(['id' => 'taken', ...$profile], '', $faults), Profile::class);
        foreach ($faults as $fault) {
            throw new NotTaken('What it says does not fit together: '.$fault->spelled(), 'Ask the maker for another file.');
        }
    }
}
