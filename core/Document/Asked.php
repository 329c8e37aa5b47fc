<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** Something that is asked for: an object that says of what kind it is, read by itself. */
final readonly class Asked
{
    /**
     * @param Kind|null $kind null where it cannot be read
     * @param list<Fault> $faults
     */
    private function __construct(public ?Kind $kind, public array $faults)
    {
    }

    /**
     * @param list<class-string<Kind>> $kinds
     * @param array<mixed> $asked "kind" and its fields
     */
    public static function of(array $kinds, array $asked): self
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $known = new Kinds(['asked' => $kinds]);
        $kind = $known->readOne(new Fields(['asked' => $asked], '', $faults), 'asked', 'asked', Reading::with($known));
        $found = array_map(
            static fn(Fault $fault): Fault => new Fault(
                (string) preg_replace('#^/asked#', '', $fault->path),
                $fault->problem,
                $fault->allowed,
            ),
            array_values($faults->getArrayCopy()),
        );
        if ($found === [] && $kind === null) {
            $found[] = new Fault('', 'it says nothing to do', 'Give a kind.');
        }

        return new self($found === [] ? $kind : null, $found);
    }
}
