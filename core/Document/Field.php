<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

use NimbleJunction\Core\Document\Field\Addresses;
use NimbleJunction\Core\Document\Field\Choice;
use NimbleJunction\Core\Document\Field\Flag;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\Networks;
use NimbleJunction\Core\Document\Field\Number;
use NimbleJunction\Core\Document\Field\NumberList;
use NimbleJunction\Core\Document\Field\Numbers;
use NimbleJunction\Core\Document\Field\OurAddress;
use NimbleJunction\Core\Document\Field\PartOfKind;
use NimbleJunction\Core\Document\Field\Parts;
use NimbleJunction\Core\Document\Field\PartsOfKind;
use NimbleJunction\Core\Document\Field\Pattern;
use NimbleJunction\Core\Document\Field\Point;
use NimbleJunction\Core\Document\Field\Side;
use NimbleJunction\Core\Document\Field\SinglePart;
use NimbleJunction\Core\Document\Field\Text;
use NimbleJunction\Core\Document\Field\Value;
use NimbleJunction\Core\Document\Field\Whole;
use NimbleJunction\Core\Document\Field\WholeOrGap;
use NimbleJunction\Core\Document\Field\Word;

/**
 * One field of a part of the show document, said once: its reader with its errors, its JSON Schema and what a form
 * shows of it follow from this. A new type of field is a class in Field/, with a name here.
 */
abstract class Field
{
    private string $onlyAt = '';

    /** @var list<string> */
    private array $onlyWords = [];

    private string $shownAt = '';

    /** @var list<string> */
    private array $shownWords = [];

    private string $help = '';
    private bool $isOlder = false;
    private bool $isRare = false;

    /** @param mixed $default what it is where it is left out; null for nothing */
    public function __construct(
        public readonly string $name,
        public readonly string $label,
        public readonly mixed $default,
        public readonly bool $isNeeded,
    ) {
    }

    /** @return string what a form shows it as */
    abstract public function type(): string;

    /** The value that stands in the document; what is wrong with it is noted, and something sound stands in for it. */
    abstract protected function value(Fields $fields, Reading $reading): mixed;

    /** @return array<string, mixed> JSON Schema of the value */
    abstract protected function shape(): array;

    /** How it stands in a cell of a table. */
    protected function cell(): Cell
    {
        return Cell::Text;
    }

    /** @return list<Column> of a table of such parts */
    public function columns(): array
    {
        return [new Column($this->name, $this->label, $this->cell())];
    }

    public static function whole(
        string $name,
        string $label,
        int $low,
        int $high,
        ?int $default = null,
        bool $isNeeded = true,
    ): Whole {
        return new Whole($name, $label, $low, $high, $default, $isNeeded);
    }

    public static function number(
        string $name,
        string $label,
        float $low,
        float $high,
        ?float $default = null,
        bool $isNeeded = true,
    ): Number {
        return new Number($name, $label, $low, $high, $default, $isNeeded);
    }

    /** @param list<float> $default as many numbers as are needed */
    public static function numbers(string $name, string $label, float $low, float $high, array $default): Numbers
    {
        return new Numbers($name, $label, $low, $high, $default);
    }

    public static function text(string $name, string $label, ?string $default = null, int $longest = 1000): Text
    {
        return new Text($name, $label, $default, $longest);
    }

    /** @param list<string> $words */
    public static function word(string $name, string $label, array $words, ?string $default = null): Word
    {
        return new Word($name, $label, $words, $default);
    }

    /**
     * A word that the code has an enum for.
     *
     * @param class-string<\BackedEnum> $enum
     */
    public static function choice(string $name, string $label, string $enum, ?\BackedEnum $default = null): Choice
    {
        return new Choice($name, $label, $enum, $default);
    }

    /**
     * Nothing, or a word that the code has an enum for.
     *
     * @param class-string<\BackedEnum> $enum
     */
    public static function choiceOrNone(string $name, string $label, string $enum): Choice
    {
        return new Choice($name, $label, $enum, null, true);
    }

    /** Nothing, or a text. */
    public static function textOrNone(string $name, string $label, int $longest): Text
    {
        return new Text($name, $label, '', $longest);
    }

    /** A number, a text, or true and false. */
    public static function anything(string $name, string $label, bool $isNeeded = true): Value
    {
        return new Value($name, $label, $isNeeded);
    }

    /** A whole number, or a gap for one of what arrived. */
    public static function wholeOrGap(string $name, string $label, int $low, int $high, bool $isNeeded = true): WholeOrGap
    {
        return new WholeOrGap($name, $label, $low, $high, $isNeeded);
    }

    /** Any number of numbers. */
    public static function list(string $name, string $label): NumberList
    {
        return new NumberList($name, $label, Kinds::MOST, -1e9, 1e9, true);
    }

    public static function flag(string $name, string $label, bool $default): Flag
    {
        return new Flag($name, $label, $default);
    }

    /** Its own id. */
    public static function id(): Id
    {
        return new Id('id', 'Id', 'id', true);
    }

    /** Its own name. */
    public static function name(string $label = 'Name', int $longest = 120): Text
    {
        return new Text('name', $label, null, $longest);
    }

    public static function port(string $name = 'port', string $label = 'Port'): Id
    {
        return new Id($name, $label, 'port', true);
    }

    public static function portOrNone(string $name, string $label): Id
    {
        return new Id($name, $label, 'port', false);
    }

    public static function universe(string $name = 'universe', string $label = 'Universe'): Id
    {
        return new Id($name, $label, 'universe', true);
    }

    public static function pointOrNone(string $name, string $label): Point
    {
        return new Point($name, $label, false);
    }

    public static function point(string $name = 'point', string $label = 'Point'): Point
    {
        return new Point($name, $label);
    }

    /** @param string $rule what a text has to be like, in words */
    public static function pattern(string $name, string $label, string $pattern, string $rule, bool $isNeeded = true): Pattern
    {
        return new Pattern($name, $label, $pattern, $rule, $isNeeded);
    }

    public static function ourAddress(string $name, string $label): OurAddress
    {
        return new OurAddress($name, $label);
    }

    public static function addresses(string $name, string $label, int $most): Addresses
    {
        return new Addresses($name, $label, $most);
    }

    public static function networks(string $name, string $label, int $most): Networks
    {
        return new Networks($name, $label, $most);
    }

    /** @param string $of the name of their kinds */
    public static function parts(string $name, string $label, string $of): PartsOfKind
    {
        return new PartsOfKind($name, $label, $of);
    }

    /** One object with a kind of its own. @param string $of the name of its kinds */
    public static function part(string $name, string $label, string $of): PartOfKind
    {
        return new PartOfKind($name, $label, $of);
    }

    /**
     * One object.
     *
     * @param class-string<Part> $class
     */
    public static function object(string $name, string $label, string $class, bool $isNeeded = true): SinglePart
    {
        return new SinglePart($name, $label, $class, $isNeeded);
    }

    /**
     * A list of objects that are all alike.
     *
     * @param class-string<Part> $class
     */
    public static function objects(string $name, string $label, string $class, int $most, int $least = 0): Parts
    {
        return new Parts($name, $label, $class, $most, $least);
    }

    /**
     * One object that is of another class for each word of another field.
     *
     * @param string $at the field that says the word
     * @param array<string, class-string<Part>> $classes by word; a word that is not there has no such object
     */
    public static function side(string $name, string $label, string $at, array $classes): Side
    {
        return new Side($name, $label, $at, $classes);
    }

    /**
     * It is there only where a field of this part, or of one around it, says one of these words.
     *
     * @param string $at a name, or a path like "link/kind"
     */
    final public function only(string $at, string ...$words): static
    {
        $this->onlyAt = $at;
        $this->onlyWords = array_values($words);

        return $this;
    }

    /**
     * A form shows it only where a field of this part says one of these words; it may stand in the document all the
     * same, and waits there.
     */
    final public function shownFor(string $at, string ...$words): static
    {
        $this->shownAt = $at;
        $this->shownWords = array_values($words);

        return $this;
    }

    /** What it is for, for whoever reads the schema or rests on the field. */
    final public function meaning(string $help): static
    {
        $this->help = $help;

        return $this;
    }

    /** A newer field says the same: it is read for ever, and no form shows it. */
    final public function older(): static
    {
        $this->isOlder = true;

        return $this;
    }

    /** Few set it: a form has it folded away until somebody asks for it, or it says something. */
    final public function rare(): static
    {
        $this->isRare = true;

        return $this;
    }

    final public function applies(Reading $reading): bool
    {
        return $this->onlyAt === '' || \in_array($reading->word($this->onlyAt), $this->onlyWords, true);
    }

    /** On what it is there, like "`type` is number or step"; '' for always. */
    final public function condition(): string
    {
        return $this->onlyAt === '' ? '' : "`{$this->onlyAt}` is ".implode(' or ', $this->onlyWords);
    }

    /** Whether it has to be there whatever else the part says. */
    final public function isAlwaysNeeded(): bool
    {
        return $this->isNeeded && $this->onlyAt === '';
    }

    /** The value in a document, or the default; what is wrong is noted as a fault. */
    public function read(Fields $fields, Reading $reading): mixed
    {
        return $fields->has($this->name) || $this->isNeeded ? $this->value($fields, $reading) : $this->usual($reading);
    }

    /** What it is where it is left out. */
    public function usual(Reading $reading): mixed
    {
        return $this->default;
    }

    /** @return array<string, mixed> of JSON Schema */
    final public function schema(): array
    {
        $shape = $this->shape();
        $default = $this->default instanceof \BackedEnum ? $this->default->value : $this->default;
        $about = [
            ...($this->help === '' ? [] : ['description' => $this->help]),
            ...($this->isOlder ? ['deprecated' => true] : []),
        ];

        return $default === null || $default === '' || $default === [] || isset($shape['$ref'])
            ? [...$about, ...$shape]
            : [...$about, ...$shape, 'default' => $default];
    }

    /** @return array<string, list<class-string<Part>>> what it holds, by the name of its definition in the schema */
    public function contains(): array
    {
        return [];
    }

    /** @return array<string, mixed> what a form needs */
    final public function described(): array
    {
        return [
            'name' => $this->name,
            'type' => $this->type(),
            'label' => $this->label,
            'default' => $this->default instanceof \BackedEnum ? $this->default->value : $this->default,
            'isNeeded' => $this->isNeeded,
            'onlyAt' => $this->onlyAt,
            'onlyWords' => $this->onlyWords,
            'shownAt' => $this->shownAt,
            'shownWords' => $this->shownWords,
            'help' => $this->help,
            'isOlder' => $this->isOlder,
            'isRare' => $this->isRare,
            ...$this->details(),
        ];
    }

    /** @return array<string, mixed> what a form needs besides */
    protected function details(): array
    {
        return [];
    }
}
