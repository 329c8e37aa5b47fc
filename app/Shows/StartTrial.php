<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Starting\Starts;
use NimbleJunction\Core\Words\Sentence;

/** What routes can begin from, looked at before it is kept: the routes, and each as its sentence. */
final readonly class StartTrial
{
    public function __construct(private ShowStore $shows)
    {
    }

    /**
     * @param array<mixed> $asked "kind" and its fields
     *
     * @return array{routes: list<array<string, mixed>>, sentences: list<string>, faults: list<array{path: string, problem: string, allowed: string}>}
     */
    public function of(array $asked): array
    {
        try {
            $routes = Starts::read($asked)->routes();
        } catch (ShowRefused $refused) {
            return ['routes' => [], 'sentences' => [], 'faults' => self::faults($refused->faults)];
        }
        $draft = new Draft($this->shows->current());
        $ids = array_map(static fn(int $i): string => "trial-{$i}", array_keys($routes));
        foreach ($routes as $i => $route) {
            $draft->put('routes', $ids[$i], ['id' => $ids[$i]] + $route);
        }
        $around = new Neighbourhood($draft);
        $around->add('routes', $ids);
        $around->addWhatIsNamed();
        try {
            $show = ShowReader::fromArray($around->document());
        } catch (ShowRefused $refused) {
            return ['routes' => [], 'sentences' => [], 'faults' => self::faults(\array_slice($refused->faults, 0, 1))];
        }
        $sentences = array_map(static fn(string $id): string => Sentence::of($show->routes[$id], $show), $ids);

        return ['routes' => $routes, 'sentences' => $sentences, 'faults' => []];
    }

    /**
     * @param list<Fault> $faults
     *
     * @return list<array{path: string, problem: string, allowed: string}>
     */
    private static function faults(array $faults): array
    {
        return array_map(
            static fn(Fault $fault): array => [
                'path' => ltrim($fault->path, '/'),
                'problem' => $fault->problem,
                'allowed' => $fault->allowed,
            ],
            $faults,
        );
    }
}
