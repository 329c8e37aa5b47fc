<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Formula;
use NimbleJunction\Core\Route\NamesPoints;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** What a formula makes of the value, and of points. */
final readonly class FormulaStep implements Step, Checked, NamesPoints
{
    private ?Formula $formula;
    private string $problem;

    public function __construct(public string $text)
    {
        [$this->formula, $this->problem] = self::read($text);
    }

    public static function kind(): string
    {
        return 'formula';
    }

    public static function label(): string
    {
        return 'By a formula';
    }

    public static function fields(): array
    {
        return [
            Field::text('text', 'Formula', 'value * 2', Formula::LONGEST)->meaning(Formula::RULE),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->problem !== '') {
            $fields->fault('text', $this->problem, Formula::RULE);
        }
    }

    public function apply(float $value, Passing $passing): ?float
    {
        return $this->formula?->of($value, static function (string $point) use ($passing): float {
            $reference = Reference::parse($point);
            $is = $reference === null ? null : $passing->read($reference);

            return is_numeric($is) ? (float) $is : 0.0;
        });
    }

    public function words(Wording $wording): string
    {
        return "by {$this->text}";
    }

    public function field(): string
    {
        return 'text';
    }

    public function points(): array
    {
        preg_match_all('/\bpoint\(\s*(["\'])(.+?)\1\s*\)/', $this->text, $found);

        return array_values(array_filter(array_map(Reference::parse(...), $found[2])));
    }

    /** @return array{?Formula, string} the formula, or what is wrong with it */
    private static function read(string $text): array
    {
        try {
            return [Formula::read($text), ''];
        } catch (\InvalidArgumentException $wrong) {
            return [null, $wrong->getMessage()];
        }
    }
}
