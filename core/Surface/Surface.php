<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** Pages of controls for an operator, a guest or a kiosk. Its id is its address. */
final readonly class Surface implements Part, Checked
{
    public const MOST = 200;
    private const MOST_PAGES = 40;

    /** @var array<string, Control> by id */
    public array $controls;

    /**
     * @param string $folder '' for none
     * @param list<Page> $pages
     * @param list<string> $networks those that need no code, as "192.168.20.0/24"
     * @param bool $kiosk whether there is no way out of it without its pass code
     * @param string $note '' for none
     * @param bool $locked whether its pages are kept as they are until it is unlocked
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $folder = '',
        public array $pages = [],
        public Entry $entry = Entry::Code,
        public array $networks = [],
        public bool $kiosk = false,
        public string $note = '',
        public bool $locked = false,
    ) {
        $controls = [];
        foreach ($pages as $page) {
            foreach ($page->controls as $control) {
                $controls[$control->id] ??= $control;
            }
        }
        $this->controls = $controls;
    }

    public static function label(): string
    {
        return 'Surface';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::textOrNone('folder', 'Folder', 60),
            Field::choice(
                'entry',
                'Who may use it, besides the people of the show',
                Entry::class,
                Entry::Code,
            )->called(Entry::TITLES),
            Field::networks('networks', 'Networks', 16)->shownFor('entry', Entry::Network->value),
            Field::flag('kiosk', 'Kiosk: no way out without the pass code', false),
            Field::flag('locked', 'Locked: its pages stay as they are', false),
            Field::objects('pages', 'Pages', Page::class, self::MOST_PAGES),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        $pages = $controls = [];
        foreach ($this->pages as $i => $page) {
            if (isset($pages[$page->id])) {
                $fields->fault("pages/{$i}/id", "\"{$page->id}\" is used twice", 'Every page of a surface has an id of its own.');
            }
            $pages[$page->id] = true;
            foreach ($page->controls as $k => $control) {
                if (isset($controls[$control->id])) {
                    $fields->fault(
                        "pages/{$i}/controls/{$k}/id",
                        "\"{$control->id}\" is used twice",
                        'Every control of a surface has an id of its own, on whichever page.',
                    );
                }
                $controls[$control->id] = true;
            }
        }
        if ($this->entry === Entry::Network && $this->networks === []) {
            $fields->fault('networks', 'there is none', 'Name the networks that may use it, like 192.168.20.0/24.');
        }
    }
}
