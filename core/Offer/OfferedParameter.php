<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Route;

/** One parameter that is offered: one slot, or two, and what its values do. What no function has changes nothing. */
final readonly class OfferedParameter implements Part, Checked
{
    /** What points and OSC addresses call it: its id, or its name in small letters where it has none. */
    public string $id;

    /** What it goes up to. */
    public int $highest;

    /** Slots. */
    public int $width;

    /**
     * @param string $bits "8" or "16"
     * @param list<OfferedFunction> $functions
     */
    public function __construct(public string $name, string $id = '', public string $bits = '8', public array $functions = [])
    {
        $this->id = $id === '' ? Route::folderId($name) : $id;
        $this->width = $bits === '16' ? 2 : 1;
        $this->highest = $bits === '16' ? Ranged::HIGHEST : 255;
    }

    public static function label(): string
    {
        return 'Offered parameter';
    }

    public static function fields(): array
    {
        return [
            Field::name('Parameter', 60),
            Field::pattern(
                'id',
                'Called by addresses',
                '#^[a-z0-9][a-z0-9-]{0,59}$#D',
                'Use small letters, digits and hyphens.',
                false,
            )
                ->meaning('What points and OSC addresses call it; without it, its name in small letters.'),
            Field::word('bits', 'Bits', ['8', '16'], '8'),
            Field::parts('functions', 'What its values do', 'offeredFunction'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->id === '') {
            $fields->fault('id', 'its name has no letters and no digits', 'Give it an id of small letters, digits and hyphens.');
        }
        $taken = [];
        foreach ($this->functions as $i => $function) {
            $last = $function->last($this->highest);
            if ($last < $function->first()) {
                $fields->fault(
                    "functions/{$i}/last",
                    "it is {$last}, and begins at {$function->first()}",
                    'A run ends where it begins, or above.',
                );
            }
            if ($last > $this->highest || $function->first() > $this->highest) {
                $fields->fault(
                    "functions/{$i}/first",
                    "it goes from {$function->first()} to {$last}",
                    "In {$this->bits} bits values go from 0 to {$this->highest}.",
                );
            }
            foreach ($taken as [$from, $to]) {
                if ($function->first() <= $to && $last >= $from) {
                    $fields->fault(
                        "functions/{$i}/first",
                        "values {$function->first()} to {$last} are also among {$from} to {$to} of another one",
                        'Let the runs of values follow each other.',
                    );
                }
            }
            $taken[] = [$function->first(), $last];
        }
    }
}
