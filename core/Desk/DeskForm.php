<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk;

use NimbleJunction\Core\Desk\Grammar\FormPattern;
use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** A form of lines that a desk takes, as its integrator describes it. */
final readonly class DeskForm implements Part, Checked
{
    public FormPattern $pattern;

    /**
     * @param string $line see FormPattern
     * @param string $sends what is sent of it, with its values in braces; '' for the whole line
     */
    public function __construct(public string $line, public string $sends = '', public string $note = '')
    {
        $this->pattern = FormPattern::read($line);
    }

    public static function label(): string
    {
        return 'Form of lines';
    }

    public static function fields(): array
    {
        return [
            Field::text('line', 'Lines like', null, 500)->meaning(FormPattern::RULE),
            Field::textOrNone('sends', 'Sends; empty for the whole line', 500),
            Field::textOrNone('note', 'What it does', 200)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->pattern->problem !== '') {
            $fields->fault('line', $this->pattern->problem, FormPattern::RULE);

            return;
        }
        preg_match_all('#\{([^{}]*)\}#', $this->sends, $found);
        $unknown = array_diff($found[1], [...$this->pattern->names(), 'line']);
        if ($unknown !== []) {
            $known = implode(
                ', ',
                array_map(static fn(string $name): string => "{{$name}}", [...$this->pattern->names(), 'line']),
            );
            $fields->fault('sends', '{'.reset($unknown).'} is no value of it', "Use {$known}.");
        }
    }

    /** What is sent: values that were left out are nothing. */
    public function rendered(Understood $line): string
    {
        return $this->sends === '' ? $line->line : self::filled($this->sends, $line, $this->pattern->names());
    }

    /** @param list<string> $names */
    public static function filled(string $text, Understood $line, array $names): string
    {
        $gaps = ['{line}' => $line->line];
        foreach ($names as $name) {
            $gaps["{{$name}}"] = $line->values[$name] ?? '';
        }

        return trim((string) preg_replace('# {2,}#', ' ', strtr($text, $gaps)));
    }
}
