<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Trigger;

/** One fader, button, encoder or axis of a panel: what it says, what it is, and what it is told. */
final readonly class PanelPart implements Part, Checked
{
    /**
     * @param Trigger|null $when null where the document has none, which is refused
     * @param Handle|null $does null where the document has none, which is refused
     * @param Display|null $display null for none
     */
    public function __construct(
        public string $id,
        public ?Trigger $when = null,
        public ?Handle $does = null,
        public string $name = '',
        public ?Display $display = null,
    ) {
    }

    public static function label(): string
    {
        return 'Part of a panel';
    }

    public static function fields(): array
    {
        return [
            Field::pattern('id', 'Id', '#^[a-z0-9][a-z0-9-]{0,59}$#D', 'Use small letters, digits and hyphens, like fader-1.'),
            Field::textOrNone('name', 'Name', 60),
            Field::part('when', 'It says', 'trigger'),
            Field::part('does', 'It is', 'handle'),
            Field::object('display', 'Its display', Display::class, false)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->does?->isTold() === true && ! ($this->when instanceof Showing && $this->when->shows(0.0) !== null)) {
            $fields->fault(
                'does',
                'what it says is no single control that could show anything',
                'Wait for one channel and one number, or say that it has no motor and no lamp.',
            );
        }
    }

    /** @return string id of the port that it is at */
    public function port(): string
    {
        $port = get_object_vars($this->when ?? new \stdClass())['port'] ?? '';

        return \is_string($port) ? $port : '';
    }
}
