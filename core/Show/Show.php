<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Message\Agreed;
use NimbleJunction\Core\Message\AgreedNote;
use NimbleJunction\Core\Offer\Offer;
use NimbleJunction\Core\Offer\Offers;
use NimbleJunction\Core\Panel\Panel;
use NimbleJunction\Core\Panel\Panels;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Group;
use NimbleJunction\Core\Patch\Groups;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Patch\Run;
use NimbleJunction\Core\Pixels\PixelMap;
use NimbleJunction\Core\Pixels\Pixels;
use NimbleJunction\Core\Programme\CueList;
use NimbleJunction\Core\Programme\Look;
use NimbleJunction\Core\Programme\Master;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\Programme\Tempo;
use NimbleJunction\Core\Programme\Wave\Wave;
use NimbleJunction\Core\Surface\Surface;
use NimbleJunction\Core\Surface\Surfaces;
use NimbleJunction\Core\Timeline\TimecodeEntry;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Timelines;
use NimbleJunction\Core\Timetable\Occasion;
use NimbleJunction\Core\Timetable\Timetable;

/** A show document, read and found sound. */
final readonly class Show
{
    public const FORMAT = 'nimble-junction/show';
    public const VERSION = 2;

    /** Its lists: of what each is, and how many there may be. A new one is named here, and is a property below. */
    public const LISTS = [
        'universes' => [UniverseEntry::class, 1024],
        'ports' => [PortEntry::class, 512],
        'routes' => [RouteEntry::class, 20000],
        'copies' => [CopyEntry::class, 2000],
        'profiles' => [Profile::class, 1000],
        'fixtures' => [Fixture::class, 5000],
        'groups' => [Group::class, 500],
        'values' => [ValueEntry::class, 2000],
        'pixels' => [PixelMap::class, 200],
        'notes' => [AgreedNote::class, 2000],
        'offers' => [Offer::class, 200],
        'looks' => [Look::class, Look::MOST],
        'lists' => [CueList::class, CueList::MOST],
        'masters' => [Master::class, Master::MOST],
        'waves' => [Wave::class, Wave::MOST],
        'tempos' => [Tempo::class, Tempo::MOST],
        'surfaces' => [Surface::class, Surface::MOST],
        'panels' => [Panel::class, Panel::MOST],
        'timelines' => [Timeline::class, Timeline::MOST],
        'timecodes' => [TimecodeEntry::class, TimecodeEntry::MOST],
        'occasions' => [Occasion::class, Occasion::MOST],
        'desks' => [Desk::class, Desk::MOST],
    ];

    /** @var array<string, UniverseEntry> by id */
    public array $universes;

    /** @var array<string, PortEntry> by id */
    public array $ports;

    /** @var array<string, RouteEntry> by id */
    public array $routes;

    /** @var array<string, CopyEntry> by id */
    public array $copies;

    /** @var array<string, Profile> by id */
    public array $profiles;

    /** @var array<string, Fixture> by id */
    public array $fixtures;

    /** @var array<string, Group> by id */
    public array $groups;

    /** @var array<string, ValueEntry> by id */
    public array $values;

    /** @var array<string, PixelMap> by id */
    public array $pixels;

    /** @var array<string, AgreedNote> by id */
    public array $notes;

    /** @var array<string, Offer> by id */
    public array $offers;

    /** @var array<string, Look> by id */
    public array $looks;

    /** @var array<string, CueList> by id */
    public array $lists;

    /** @var array<string, Master> by id */
    public array $masters;

    /** @var array<string, Wave> by id */
    public array $waves;

    /** @var array<string, Tempo> by id */
    public array $tempos;

    /** @var array<string, Surface> by id */
    public array $surfaces;

    /** @var array<string, Panel> by id */
    public array $panels;

    /** @var array<string, Timeline> by id */
    public array $timelines;

    /** @var array<string, TimecodeEntry> by id */
    public array $timecodes;

    /** @var array<string, Occasion> by id */
    public array $occasions;

    /** @var array<string, Desk> by id */
    public array $desks;

    private Patch $patch;
    private Pixels $pixelMaps;
    private Agreed $agreed;
    private Offers $allOffers;
    private Programme $programme;
    private Surfaces $allSurfaces;
    private Panels $allPanels;
    private Timelines $allTimelines;
    private Timetable $timetable;

    /**
     * @param int $middleC octave number of note 60, 3 to 5: makers differ
     * @param array<string, array<string, Part>> $lists by name and id
     */
    public function __construct(public string $name, public int $middleC = 4, array $lists = [])
    {
        $this->universes = self::only($lists['universes'] ?? [], UniverseEntry::class);
        $this->ports = self::only($lists['ports'] ?? [], PortEntry::class);
        $this->routes = self::only($lists['routes'] ?? [], RouteEntry::class);
        $this->copies = self::only($lists['copies'] ?? [], CopyEntry::class);
        $this->profiles = self::only($lists['profiles'] ?? [], Profile::class);
        $this->fixtures = self::only($lists['fixtures'] ?? [], Fixture::class);
        $this->values = self::only($lists['values'] ?? [], ValueEntry::class);
        $this->groups = self::only($lists['groups'] ?? [], Group::class);
        $this->pixels = self::only($lists['pixels'] ?? [], PixelMap::class);
        $this->notes = self::only($lists['notes'] ?? [], AgreedNote::class);
        $this->agreed = new Agreed($this->notes);
        $this->pixelMaps = new Pixels($this->pixels);
        $this->offers = self::only($lists['offers'] ?? [], Offer::class);
        $this->allOffers = new Offers($this->offers);
        $this->looks = self::only($lists['looks'] ?? [], Look::class);
        $this->lists = self::only($lists['lists'] ?? [], CueList::class);
        $this->masters = self::only($lists['masters'] ?? [], Master::class);
        $this->waves = self::only($lists['waves'] ?? [], Wave::class);
        $this->tempos = self::only($lists['tempos'] ?? [], Tempo::class);
        $this->surfaces = self::only($lists['surfaces'] ?? [], Surface::class);
        $this->panels = self::only($lists['panels'] ?? [], Panel::class);
        $this->timelines = self::only($lists['timelines'] ?? [], Timeline::class);
        $this->timecodes = self::only($lists['timecodes'] ?? [], TimecodeEntry::class);
        $this->allTimelines = new Timelines($this->timelines, $this->timecodes);
        $this->occasions = self::only($lists['occasions'] ?? [], Occasion::class);
        $this->timetable = new Timetable($this->occasions);
        $this->desks = self::only($lists['desks'] ?? [], Desk::class);
        $this->allPanels = new Panels($this->panels, $this->surfaces);
        $this->programme = new Programme($this->looks, $this->lists, $this->masters, $this->waves, $this->tempos);
        $this->patch = new Patch($this->profiles, $this->fixtures, new Groups($this->groups), $this->runs());
        $this->allSurfaces = new Surfaces($this->surfaces, $this->patch);
    }

    /** @return class-string<Part> of what a list is */
    public static function classOf(string $list): string
    {
        return self::LISTS[$list][0];
    }

    /** @param array<string, bool> $ports that are on or off otherwise than is said here, by id */
    public function switched(array $ports): self
    {
        $others = [];
        foreach (array_intersect_key($this->ports, $ports) as $id => $port) {
            $others[$id] = $port->switched($ports[$id]);
        }
        $lists = array_combine(array_keys(self::LISTS), array_map($this->list(...), array_keys(self::LISTS)));

        return $others === [] ? $this : new self(
            $this->name,
            $this->middleC,
            [...$lists, 'ports' => array_replace($this->ports, $others)],
        );
    }

    /** @return array<string, Part> one of its lists, by id */
    public function list(string $name): array
    {
        return match ($name) {
            'universes' => $this->universes,
            'ports' => $this->ports,
            'routes' => $this->routes,
            'copies' => $this->copies,
            'profiles' => $this->profiles,
            'fixtures' => $this->fixtures,
            'groups' => $this->groups,
            'values' => $this->values,
            'pixels' => $this->pixels,
            'notes' => $this->notes,
            'offers' => $this->offers,
            'looks' => $this->looks,
            'lists' => $this->lists,
            'masters' => $this->masters,
            'waves' => $this->waves,
            'tempos' => $this->tempos,
            'surfaces' => $this->surfaces,
            'panels' => $this->panels,
            'timelines' => $this->timelines,
            'timecodes' => $this->timecodes,
            'occasions' => $this->occasions,
            'desks' => $this->desks,
            default => [],
        };
    }

    public function patch(): Patch
    {
        return $this->patch;
    }

    /** What notes mean, as it was agreed. */
    public function agreed(): Agreed
    {
        return $this->agreed;
    }

    public function pixels(): Pixels
    {
        return $this->pixelMaps;
    }

    /** @return list<Run> what else than fixtures stands in the patch */
    public function runs(): array
    {
        return [...$this->pixelMaps->runs(), ...$this->allOffers->runs()];
    }

    /** What is offered to others as if it were a fixture. */
    public function offered(): Offers
    {
        return $this->allOffers;
    }

    /** Its looks, cue lists and masters. */
    public function programme(): Programme
    {
        return $this->programme;
    }

    /** What happens by itself, at moments of the day. */
    public function timetable(): Timetable
    {
        return $this->timetable;
    }

    /** Its timelines, and the time codes that they follow. */
    public function timelines(): Timelines
    {
        return $this->allTimelines;
    }

    /** Hardware that moves controls. */
    public function panels(): Panels
    {
        return $this->allPanels;
    }

    /** Its pages of controls. */
    public function surfaces(): Surfaces
    {
        return $this->allSurfaces;
    }

    /**
     * @template T of Part
     *
     * @param array<string, Part> $parts
     * @param class-string<T> $class
     *
     * @return array<string, T>
     */
    private static function only(array $parts, string $class): array
    {
        return array_filter($parts, static fn(Part $part): bool => $part instanceof $class);
    }
}
