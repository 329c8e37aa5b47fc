<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Message\MessageAddress;

/**
 * A panel with faders, buttons and encoders, that moves the controls of a surface: its twin on the screen has the same pages
 * and values.
 */
final readonly class Panel implements Part, Checked
{
    public const MOST = 100;
    private const MOST_PARTS = 256;

    /** @var array<string, PanelPart> by id */
    public array $byId;

    /**
     * @param string $surface id of its twin
     * @param list<PanelPart> $parts
     * @param string $oscPort id of the port at which all controls are there by OSC; '' for none
     * @param string $oscAddress what their addresses begin with; '' for the surface's own id
     * @param string $note '' for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $surface,
        public bool $enabled = true,
        public array $parts = [],
        public string $oscPort = '',
        public string $oscAddress = '',
        public string $note = '',
    ) {
        $byId = [];
        foreach ($parts as $part) {
            $byId[$part->id] ??= $part;
        }
        $this->byId = $byId;
    }

    public static function label(): string
    {
        return 'Panel';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            new Id('surface', 'Moves the controls of surface', 'surface', true),
            Field::flag('enabled', 'Enabled', true),
            Field::objects('parts', 'Faders, buttons, encoders', PanelPart::class, self::MOST_PARTS),
            Field::portOrNone('oscPort', 'All controls by OSC, at port')->meaning(
                'For a tablet program of any maker: names, values and colours are told, and all of it again at /refresh.',
            ),
            Field::pattern(
                'oscAddress',
                'Addresses begin with',
                MessageAddress::PATTERN,
                MessageAddress::RULE,
                false,
            )->meaning('Without it, a slash and the id of the surface.'),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        $seen = [];
        foreach ($this->parts as $i => $part) {
            if (isset($seen[$part->id])) {
                $fields->fault("parts/{$i}/id", "\"{$part->id}\" is used twice", 'Every part of a panel has an id of its own.');
            }
            $seen[$part->id] = true;
        }
    }
}
