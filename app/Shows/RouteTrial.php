<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Preview\Preview;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Words\ShowWording;

/** A route that is being built, looked at among the parts of the show that it names: what it would do, and what is wrong. */
final readonly class RouteTrial
{
    private const ID = 'trial';

    public function __construct(private ShowStore $shows)
    {
    }

    /**
     * @param array<mixed> $route as it is typed
     *
     * @return array<string, mixed> faults, with their paths within the route; and what it would do, null where it cannot be said
     */
    public function of(array $route, ?float $value): array
    {
        $draft = new Draft($this->shows->current());
        $id = \is_string($route['id'] ?? null) && $route['id'] !== '' ? $route['id'] : self::ID;
        $name = \is_string($route['name'] ?? null) && $route['name'] !== '' ? $route['name'] : 'This route';
        $draft->put('routes', $id, [...$route, 'id' => $id, 'name' => $name]);
        $around = new Neighbourhood($draft);
        $around->add('routes', [$id]);
        $around->addWhatIsNamed();
        try {
            $document = $around->document();
            $place = array_search($id, array_column($document['routes'], 'id'), true);
            $show = ShowReader::fromArray($document);
        } catch (ShowRefused $refused) {
            return ['faults' => self::faults($refused->faults, "/routes/{$place}/"), 'preview' => null];
        }
        $known = $show->routes[$id]->route ?? null;

        return [
            'faults' => [],
            'preview' => $known === null ? null : (new Preview($known, $value, new ShowWording($show)))->spelled(),
        ];
    }

    /**
     * @param list<Fault> $faults
     *
     * @return list<array{path: string, problem: string, allowed: string}>
     */
    private static function faults(array $faults, string $at): array
    {
        $of = [];
        foreach ($faults as $fault) {
            if (str_starts_with("{$fault->path}/", $at)) {
                $of[] = [
                    'path' => substr($fault->path, \strlen($at)),
                    'problem' => $fault->problem,
                    'allowed' => $fault->allowed,
                ];
            }
        }

        return $of;
    }
}
