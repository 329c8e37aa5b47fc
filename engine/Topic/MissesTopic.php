<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Live\NearlyTaken;
use NimbleJunction\Core\Live\Unanswered;
use NimbleJunction\Core\Route\Learned;
use NimbleJunction\Core\Trace\Names;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\LearnWay;
use NimbleJunction\Engine\Said\MissesNews;
use NimbleJunction\Engine\Said\NearLine;
use NimbleJunction\Engine\Said\Relax;
use NimbleJunction\Engine\Said\UnansweredLine;

/** Why did nothing happen? Looked for when somebody reads it, not while messages come. */
final readonly class MissesTopic implements Topic
{
    private const SHOWN = 60;

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'misses';
    }

    public static function says(): array
    {
        return [MissesNews::class];
    }

    public function everyNanos(): int
    {
        return 500_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $misses = $this->junction->routes->misses;
        $names = $this->junction->names();
        $middleC = $this->junction->plan()->middleC;
        $came = array_map(
            static fn(Unanswered $one): UnansweredLine => self::line($one, $names, $middleC),
            \array_slice($misses->unanswered($now), 0, self::SHOWN),
        );
        $near = array_map(
            static fn(NearlyTaken $one): NearLine => self::near($one, $middleC),
            array_values(\array_slice($misses->nearly($now), 0, self::SHOWN)),
        );
        if ($view->isNew('misses', json_encode([$came, $near], \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell(new MissesNews(Engine::millis($now), $came, $near));
        }
    }

    public static function near(NearlyTaken $one, int $middleC): NearLine
    {
        $relax = $one->missed->relax === [] ? null : new Relax($one->missed->part, $one->missed->relax);

        return new NearLine(
            $one->route->id,
            $one->what($middleC),
            $one->missed->reason,
            $one->count,
            Engine::millis($one->at),
            $relax,
        );
    }

    private static function line(Unanswered $one, Names $names, int $middleC): UnansweredLine
    {
        $near = $names->nearMiss($one->portId, $one->message);

        return new UnansweredLine(
            $one->portId,
            $one->message->address(),
            $names->message($one->message),
            $one->from,
            $one->count,
            Engine::millis($one->at),
            $near['words'] ?? 'no route listens for it',
            $near['route'] ?? '',
            array_map(
                static fn(array $way): LearnWay => new LearnWay($way['words'], $way['part']),
                Learned::ways($one->portId, $one->message, 1, $middleC),
            ),
        );
    }
}
