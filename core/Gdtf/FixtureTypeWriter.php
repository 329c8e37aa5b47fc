<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Patch\Cells;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\Mode;
use NimbleJunction\Core\Patch\NamedRange;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Profile;

/**
 * Writes a profile as a fixture type (GDTF), with its modes, channels, ranges and repeated cells.
 *
 * Source: DIN SPEC 15800 (from memory).
 */
final class FixtureTypeWriter
{
    /** What values between two ranges are called: functions leave no gaps. */
    public const NOT_USED = 'not used';
    private const VERSION = '1.2';
    private const BODY = 'Body';
    private \XMLWriter $xml;

    private function __construct(private readonly Profile $profile)
    {
        $this->xml = new \XMLWriter();
    }

    /** @return string description.xml */
    public static function xml(Profile $profile): string
    {
        return (new self($profile))->written();
    }

    private function written(): string
    {
        $this->xml->openMemory();
        $this->xml->setIndent(true);
        $this->xml->startDocument('1.0', 'UTF-8');
        $this->open('GDTF', ['DataVersion' => self::VERSION]);
        $this->open('FixtureType', [
            'Name' => $this->profile->name,
            'ShortName' => $this->profile->name,
            'LongName' => $this->profile->name,
            'Manufacturer' => $this->profile->maker === '' ? 'Unknown' : $this->profile->maker,
            'Description' => $this->profile->note,
            'FixtureTypeID' => self::guid($this->profile->name.$this->profile->maker),
        ]);
        $this->attributes();
        $this->wheels();
        $this->geometries();
        $this->open('DMXModes');
        foreach ($this->profile->byMode as $mode) {
            $this->mode($mode);
        }
        $this->xml->endElement();
        $this->xml->endElement();
        $this->xml->endElement();
        $this->xml->endDocument();

        return $this->xml->outputMemory();
    }

    private function attributes(): void
    {
        $attributes = [];
        foreach ($this->all() as $parameter) {
            $attributes[self::attribute($parameter)] = [
                Attributes::feature($parameter->kind),
                $parameter->ranges === [] ? $parameter->unit : '',
            ];
            foreach ($parameter->ranges as $range) {
                $attributes[self::attributeOf($parameter, $range)] ??= [Attributes::feature($parameter->kind), $range->unit];
            }
        }
        $this->open('AttributeDefinitions');
        $this->open('FeatureGroups');
        foreach (array_unique(array_map(static fn(array $one): string => $one[0], $attributes)) as $feature) {
            [$group, $name] = explode('.', $feature);
            $this->open('FeatureGroup', ['Name' => $group, 'Pretty' => $group]);
            $this->leaf('Feature', ['Name' => $name]);
            $this->xml->endElement();
        }
        $this->xml->endElement();
        $this->open('Attributes');
        foreach ($attributes as $name => [$feature, $unit]) {
            $this->leaf(
                'Attribute',
                ['Name' => $name, 'Pretty' => $name, 'Feature' => $feature, 'PhysicalUnit' => Attributes::physicalUnit($unit)],
            );
        }
        $this->xml->endElement();
        $this->xml->endElement();
    }

    private function wheels(): void
    {
        $this->open('Wheels');
        foreach ($this->all() as $parameter) {
            if (! self::hasWheel($parameter)) {
                continue;
            }
            $this->open('Wheel', ['Name' => self::attribute($parameter)]);
            foreach ($parameter->ranges as $range) {
                $this->leaf(
                    'Slot',
                    [
                        'Name' => $range->name,
                        'Color' => $range->colour === '' ? '0.3127,0.3290,100' : Wheels::written($range->colour),
                    ],
                );
            }
            $this->xml->endElement();
        }
        $this->xml->endElement();
    }

    private function geometries(): void
    {
        $this->open('Geometries');
        foreach ($this->profile->byMode as $mode) {
            $this->open('Geometry', ['Name' => self::BODY.self::suffix($mode)]);
            $last = Footprint::widthOf($mode->parameters);
            foreach ($mode->cells as $block) {
                $starts = $block->starts($last + 1);
                foreach ($starts as $i => $start) {
                    $this->open(
                        'GeometryReference',
                        ['Name' => "{$block->name} ".($i + 1), 'Geometry' => self::geometry($block, $mode)],
                    );
                    $this->leaf('Break', ['DMXBreak' => '1', 'DMXOffset' => (string) $start]);
                    $this->xml->endElement();
                }
                $last = max([
                    $last,
                    ...array_map(static fn(int $start): int => $start - 1 + Footprint::widthOf($block->parameters), $starts),
                ]);
            }
            $this->xml->endElement();
        }
        $names = [];
        foreach ($this->profile->byMode as $mode) {
            foreach ($mode->cells as $block) {
                $names[self::geometry($block, $mode)] = true;
            }
        }
        foreach (array_keys($names) as $name) {
            $this->leaf('Geometry', ['Name' => (string) $name]);
        }
        $this->xml->endElement();
    }

    private function mode(Mode $mode): void
    {
        $this->open(
            'DMXMode',
            ['Name' => $mode->name === '' ? 'Standard' : $mode->name, 'Geometry' => self::BODY.self::suffix($mode)],
        );
        $this->open('DMXChannels');
        foreach ($mode->footprint->placed as $placed) {
            if (str_starts_with($placed->path, 'parameters')) {
                $this->channel($placed->parameter, $placed->slots, self::BODY.self::suffix($mode));
            }
        }
        $intensity = $mode->footprint->find(Intensities::KEY);
        if ($intensity?->isVirtual === true) {
            $this->channel($intensity->parameter, [], self::BODY.self::suffix($mode));
        }
        foreach ($mode->cells as $block) {
            foreach (Footprint::of($block->parameters)->placed as $placed) {
                $this->channel($placed->parameter, $placed->slots, self::geometry($block, $mode));
            }
        }
        $this->xml->endElement();
        $this->xml->endElement();
    }

    /** @param list<int> $slots from 1; none for a virtual one */
    private function channel(Parameter $parameter, array $slots, string $geometry): void
    {
        $attribute = self::attribute($parameter);
        $first = $parameter->ranges[0]->name ?? "{$attribute} 1";
        $this->open('DMXChannel', [
            'DMXBreak' => '1',
            'Offset' => $slots === [] ? 'None' : implode(',', $slots),
            'Highlight' => 'None',
            'Geometry' => $geometry,
            'InitialFunction' => "{$geometry}_{$attribute}.{$attribute}.{$first}",
        ]);
        $this->open('LogicalChannel', ['Attribute' => $attribute, 'Snap' => 'No', 'Master' => 'None']);
        if ($parameter->ranges === []) {
            $this->leaf('ChannelFunction', [
                'Name' => $first,
                'Attribute' => $attribute,
                'OriginalAttribute' => $parameter->name,
                'DMXFrom' => DmxValue::write(0, $parameter->width),
                'Default' => DmxValue::write($parameter->default, $parameter->width),
                ...self::physical(
                    $parameter->unit,
                    $parameter->inUnit($parameter->share(0)),
                    $parameter->inUnit($parameter->share($parameter->highest())),
                ),
            ]);
        }
        $next = 0;
        foreach ($parameter->ranges as $i => $range) {
            $this->gap($parameter, $next, $range->first - 1);
            $this->range($parameter, $range, $i);
            $next = $range->last + 1;
        }
        $this->gap($parameter, $next, $parameter->ranges === [] ? -1 : $parameter->highest());
        $this->xml->endElement();
        $this->xml->endElement();
    }

    private function range(Parameter $parameter, NamedRange $range, int $place): void
    {
        $this->open('ChannelFunction', [
            'Name' => $range->name,
            'Attribute' => self::attributeOf($parameter, $range),
            'OriginalAttribute' => $parameter->name,
            'DMXFrom' => DmxValue::write($range->first, $parameter->width),
            'Default' => DmxValue::write($parameter->default, $parameter->width),
            ...($range->unit === '' ? [] : self::physical($range->unit, $range->physical[0], $range->physical[1])),
            ...(self::hasWheel($parameter) ? ['Wheel' => self::attribute($parameter)] : []),
        ]);
        if (self::hasWheel($parameter)) {
            $this->leaf(
                'ChannelSet',
                [
                    'Name' => $range->name,
                    'DMXFrom' => DmxValue::write($range->first, $parameter->width),
                    'WheelSlotIndex' => (string) ($place + 1),
                ],
            );
        }
        $this->xml->endElement();
    }

    private function gap(Parameter $parameter, int $first, int $last): void
    {
        if ($last >= $first) {
            $this->leaf(
                'ChannelFunction',
                [
                    'Name' => self::NOT_USED,
                    'Attribute' => self::attribute($parameter),
                    'DMXFrom' => DmxValue::write($first, $parameter->width),
                ],
            );
        }
    }

    /** @return array<string, string> */
    private static function physical(string $unit, float $from, float $to): array
    {
        $factor = $unit === '%' ? 100 : 1;

        return ['PhysicalFrom' => \sprintf('%.6F', $from / $factor), 'PhysicalTo' => \sprintf('%.6F', $to / $factor)];
    }

    private static function hasWheel(Parameter $parameter): bool
    {
        return array_filter($parameter->ranges, static fn(NamedRange $range): bool => $range->colour !== '') !== [];
    }

    private static function attribute(Parameter $parameter): string
    {
        return Attributes::of($parameter->role, $parameter->name);
    }

    /** A range with a measure is a function of its own, and the measure is said by its attribute. */
    private static function attributeOf(Parameter $parameter, NamedRange $range): string
    {
        return $range->unit === ''
            ? self::attribute($parameter)
            : self::attribute($parameter).Attributes::physicalUnit($range->unit);
    }

    /** @return list<Parameter> of all modes and cells */
    private function all(): array
    {
        $all = [];
        foreach ($this->profile->byMode as $mode) {
            array_push($all, ...$mode->parameters);
            foreach ($mode->cells as $block) {
                array_push($all, ...$block->parameters);
            }
        }

        return $all;
    }

    private static function suffix(Mode $mode): string
    {
        return $mode->id === '' ? '' : " {$mode->id}";
    }

    /** Modes may have cells of one name; within a mode each needs its own. */
    private static function geometry(Cells $block, Mode $mode): string
    {
        $alike = array_filter($mode->cells, static fn(Cells $one): bool => $one->name === $block->name);

        return \count($alike) > 1 ? "{$block->name} {$block->id}" : $block->name;
    }

    /** The same profile has the same identity. */
    private static function guid(string $name): string
    {
        $hash = strtoupper(md5($name));

        return implode(
            '-',
            [substr($hash, 0, 8), substr($hash, 8, 4), substr($hash, 12, 4), substr($hash, 16, 4), substr($hash, 20)],
        );
    }

    /** @param array<string, string> $attributes */
    private function open(string $name, array $attributes = []): void
    {
        $this->xml->startElement($name);
        foreach ($attributes as $attribute => $value) {
            $this->xml->writeAttribute($attribute, $value);
        }
    }

    /** @param array<string, string> $attributes */
    private function leaf(string $name, array $attributes): void
    {
        $this->open($name, $attributes);
        $this->xml->endElement();
    }
}
