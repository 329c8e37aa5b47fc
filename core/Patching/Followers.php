<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

/**
 * What becomes of the routes that name a fixture when there is another one like it: what drives the one drives the
 * other too, in the same route; what waits for the one gets a route of its own that waits for the other.
 */
final readonly class Followers
{
    public function __construct(private string $like, private string $new)
    {
    }

    /**
     * @param array<mixed> $route as the show document has it
     *
     * @return array<mixed> the same, with everything that is done to the one done to the other as well
     */
    public function driven(array $route): array
    {
        if (\is_array($route['do'] ?? null)) {
            $route['do'] = $this->actions($route['do']);
        }

        return $route;
    }

    /**
     * @param array<mixed> $route as the show document has it
     *
     * @return array<mixed>|null a route that waits for the other one; null where this one does not wait for the first
     */
    public function waiting(array $route): ?array
    {
        $isWaiting = isset($route['when']) && $this->names($route['when']);
        if (! $isWaiting) {
            return null;
        }
        $renamed = $this->renamed($route);

        return \is_array($renamed) ? array_diff_key($renamed, ['id' => true]) : null;
    }

    /**
     * @param array<mixed> $actions
     *
     * @return list<mixed>
     */
    private function actions(array $actions): array
    {
        $done = [];
        foreach ($actions as $action) {
            if (! \is_array($action)) {
                $done[] = $action;

                continue;
            }
            foreach (['do', 'options'] as $inner) {
                if (\is_array($action[$inner] ?? null)) {
                    $action[$inner] = $this->actions($action[$inner]);
                }
            }
            $done[] = $action;
            $point = $action['point'] ?? null;
            if (\is_string($point) && $this->names($point)) {
                $done[] = $this->renamed($action);
            }
        }

        return $done;
    }

    private function names(mixed $value): bool
    {
        if (\is_array($value)) {
            return array_filter($value, $this->names(...)) !== [];
        }

        return \is_string($value) && str_starts_with($value, "fixture:{$this->like}/");
    }

    private function renamed(mixed $value): mixed
    {
        if (\is_array($value)) {
            return array_map($this->renamed(...), $value);
        }

        return \is_string($value) && $this->names($value) ? "fixture:{$this->new}/".substr(
            $value,
            \strlen("fixture:{$this->like}/"),
        ) : $value;
    }
}
