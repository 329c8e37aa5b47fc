<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** Trigger, conditions, steps, actions: a route as it runs. Nothing in it changes. */
final readonly class Route
{
    /** What it is called as an owner of what it gives. */
    public string $owner;

    /** What people call it as such. */
    public string $title;

    /**
     * @param list<Trigger> $triggers any of them
     * @param list<Condition> $conditions all of them
     * @param list<Step> $steps one after the other
     * @param list<Action> $actions one after the other
     * @param Back|null $back what its control is told
     * @param string $folder '' for none
     * @param string $ownedBy id of the route that owns what it gives; '' for itself
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public array $triggers,
        public array $conditions,
        public array $steps,
        public array $actions,
        public ?Back $back = null,
        public string $folder = '',
        public string $ownedBy = '',
    ) {
        $this->owner = 'route '.($ownedBy === '' ? $id : $ownedBy);
        $this->title = "Route \"{$name}\"";
    }

    /** @return string how a folder is called in a reference; '' where it has no letters and no digits */
    public static function folderId(string $folder): string
    {
        return substr(trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($folder)), '-'), 0, 60);
    }

    /** @return list<class-string> what its conditions and steps are: as long as that is so, what they have in mind is theirs */
    public function made(): array
    {
        return array_map(get_class(...), [...$this->conditions, ...$this->steps]);
    }

    /** Whether a route is made of the same conditions, steps and actions, whatever stands in them. */
    public function isMadeAs(self $other): bool
    {
        return $this->made() === $other->made() && self::shapes($this->actions) === self::shapes($other->actions);
    }

    /**
     * @param array<mixed> $parts
     *
     * @return list<mixed> what each is, and what there is within it
     */
    private static function shapes(array $parts): array
    {
        $shapes = [];
        foreach ($parts as $part) {
            if ($part instanceof Action) {
                $lists = array_filter((array) $part, \is_array(...));
                $shapes[] = [$part::class, array_map(self::shapes(...), array_values($lists))];
            }
        }

        return $shapes;
    }
}
