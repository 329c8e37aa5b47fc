<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Surface\Surface;

/** Whether what the controls of a surface name is there. */
final readonly class SurfaceReferences
{
    public function __construct(private Show $show)
    {
    }

    /** @return list<Fault> */
    public function of(Surface $surface, string $path): array
    {
        return $this->ofPart($surface, $path);
    }

    /** @return list<Fault> of a part and of all that it holds */
    private function ofPart(Part $part, string $path): array
    {
        $faults = [];
        $values = get_object_vars($part);
        foreach ($part::fields() as $field) {
            $value = $values[$field->name] ?? null;
            if ($field->type() === 'tempo' && \is_string($value) && ! isset($this->show->tempos[$value])) {
                $known = implode(', ', \array_slice(array_keys($this->show->tempos), 0, 12)) ?: 'none yet';
                $faults[] = new Fault("{$path}/{$field->name}", "there is no tempo \"{$value}\"", "There are: {$known}.");
            }
            array_push($faults, ...$this->ofValue($value, "{$path}/{$field->name}"));
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function ofValue(mixed $value, string $path): array
    {
        if ($value instanceof Reference) {
            return PointNames::isThere($this->show, $value) ? [] : [new Fault($path, "there is no point \"{$value->text()}\"", Reference::RULE)];
        }
        if ($value instanceof Action) {
            return (new RouteReferences($this->show))->ofPart($value, $path);
        }
        if ($value instanceof Part) {
            return $this->ofPart($value, $path);
        }
        $faults = [];
        foreach (\is_array($value) ? $value : [] as $i => $one) {
            array_push($faults, ...$this->ofValue($one, "{$path}/{$i}"));
        }

        return $faults;
    }
}
