<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Shows\Draft;
use App\Shows\FreeIds;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\PointNames;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** One surface in a file of its own comes into a show: what it moves and the show does not have is left out, and told. */
final class SurfaceFile
{
    public const FORMAT = 'nimble-junction/surface';

    public string $id = '';

    /** @var list<string> points that this show does not have */
    public array $left = [];

    /** @var array<string, mixed> */
    private readonly array $surface;

    /** @throws ShowRefused */
    public function __construct(string $text)
    {
        $file = json_decode($text, true, 32);
        $surface = \is_array($file) ? $file['surface'] ?? null : null;
        if (
            ! \is_array($file)
            || ($file['format'] ?? null) !== self::FORMAT
            || ($file['version'] ?? null) !== 1
            || ! \is_array($surface)
        ) {
            throw ShowRefused::because([new Fault(
                '',
                'this is no file of a surface',
                'Choose one that was exported from the page of a surface.',
            )]);
        }
        $this->surface = $surface;
    }

    public function apply(Draft $draft): void
    {
        $show = ShowReader::fromArray($draft->document());
        $bindings = new Bindings(static function (string $point) use ($show): bool {
            $reference = Reference::parse($point);

            return match (true) {
                $reference === null => false,
                // A fixture or a group by itself, where a control names them.
                $reference->part === '' && $reference->kind === 'fixture' => ! isset($show->fixtures[$reference->id]),
                $reference->part === '' && $reference->kind === 'group' => ! isset($show->groups[$reference->id]),
                default => ! PointNames::isThere($show, $reference),
            };
        });
        $name = $this->surface['name'] ?? null;
        $this->id = (new FreeIds('surfaces', $draft->ids('surfaces')))->forName(\is_string($name) ? $name : '');
        $draft->put('surfaces', $this->id, [...$bindings->without($this->surface), 'id' => $this->id]);
        $this->left = $bindings->left();
    }
}
