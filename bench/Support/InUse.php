<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\LiveLink;
use Symfony\Component\Process\Process;

/** What an engine has beside its traffic in a real show: a file that its state is kept in, and a page that follows it. */
final class InUse
{
    /** As many as stand on a page at once. */
    private const MOST_SEEN = 32;
    private readonly string $folder;
    private readonly int $live;
    private ?LiveLink $page = null;

    /** @param int $universes 0 for a page of routes */
    public function __construct(private readonly int $universes)
    {
        $this->folder = sys_get_temp_dir().'/junction-in-use-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->live = Background::freePort();
    }

    /** @return list<string> for the engine */
    public function options(): array
    {
        return ["--state={$this->folder}", "--live=127.0.0.1:{$this->live}"];
    }

    public function open(float $seconds): void
    {
        $seen = min(self::MOST_SEEN, $this->universes);
        $levels = $seen === 0
            ? ['misses']
            : ['sources:u0', ...array_map(static fn(int $number): string => "levels:u{$number}", range(0, $seen - 1))];
        $this->page = new LiveLink(
            $this->live,
            Role::Viewer,
            [['do' => 'subscribe', 'topics' => ['status', 'minutes', 'finds', 'trace', ...$levels]]],
            $seconds,
        );
    }

    public function close(): void
    {
        $this->page?->stop();
        (new Process(['rm', '-rf', $this->folder]))->mustRun();
    }
}
