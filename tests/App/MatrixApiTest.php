<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use NimbleJunction\Engine\LiveLink\Role;

/** Role × address: what each may ask of the web server, written down here once more. */
final class MatrixApiTest extends AppTestCase
{
    /** Without having logged in. */
    private const OPEN = [
        'GET api/session',
        'POST api/session',
        'DELETE api/session',
        'GET api/surfaces/{id}/entry',
        'POST api/surfaces/{id}/entry',
        'DELETE api/surfaces/{id}/entry',
        'POST api/surfaces/{id}/way-out',
        'POST api/surfaces/{id}/token',
    ];

    /** What changes nothing that is stored, for whoever has logged in. */
    private const FOR_ALL = [
        'POST api/live-token',
        'POST api/live-check',
        'POST api/formula',
        'POST api/show/pixels/layout',
        'POST api/show/routes/starting',
        'POST api/show/routes/preview',
        'POST api/packets/decode',
        'POST api/packets/encode',
        'PUT api/session/password',
    ];

    /** What whoever runs the show may do besides. */
    private const FOR_OPERATORS = ['POST api/show-mode', 'DELETE api/show-mode', 'GET api/events', 'GET api/events/file'];

    /** What only a builder may read. */
    private const BUILDERS_READ = ['GET api/users', 'GET api/backups', 'GET api/backups/fresh', 'GET api/backups/{name}'];

    public function testStrangersGetInNowhereElse(): void
    {
        foreach ($this->addresses() as $name => [$method, $path]) {
            if (! \in_array($name, self::OPEN, true)) {
                self::assertSame(401, $this->json($method, $path)->getStatusCode(), $name);
            }
        }
    }

    public function testWhoIsNoBuilderReadsAndChangesNothing(): void
    {
        foreach ([Role::Operator, Role::Viewer] as $role) {
            $this->as($role);
            foreach ($this->addresses() as $name => [$method, $path]) {
                if (\in_array($name, self::OPEN, true)) {
                    continue;
                }
                $isForAll = ($method === 'GET' && ! \in_array($name, [...self::BUILDERS_READ, ...self::FOR_OPERATORS], true))
                    || \in_array($name, self::FOR_ALL, true)
                    || ($role === Role::Operator && \in_array($name, self::FOR_OPERATORS, true));
                $status = $this->json($method, $path)->getStatusCode();
                self::assertSame($isForAll, $status !== 403, "{$role->value}: {$name}: {$status}");
                self::assertNotSame(401, $status, $name);
            }
        }
    }

    public function testWhatStandsHereIsThere(): void
    {
        self::assertSame(
            [],
            array_diff([...self::OPEN, ...self::FOR_ALL, ...self::FOR_OPERATORS, ...self::BUILDERS_READ], array_keys($this->addresses())),
        );
    }

    /** @return array<string, array{string, string}> by "METHOD address", each with something in its blanks */
    private function addresses(): array
    {
        $all = [];
        /** @var Route $route */
        foreach (Routes::getRoutes() as $route) {
            if (! str_starts_with($route->uri(), 'api/')) {
                continue;
            }
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $path = (string) preg_replace_callback('/\{(\w+)\}/', static fn(array $blank): string => match (true) {
                    $blank[1] === 'list' => 'ports',
                    $route->wheres !== [] && isset($route->wheres[$blank[1]]) => '7777',
                    default => 'none',
                }, $route->uri());
                $all["{$method} {$route->uri()}"] = [$method, "/{$path}"];
            }
        }

        return $all;
    }
}
