<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\People;
use NimbleJunction\Engine\PortReport;
use NimbleJunction\Engine\ShowMode;

/** All topics that there are: a new one is a class, named here. */
final class Topics
{
    public const ALL = [
        StatusTopic::class,
        MinutesTopic::class,
        FindsTopic::class,
        TraceTopic::class,
        LevelsTopic::class,
        SourcesTopic::class,
        ScopeTopic::class,
        PointsTopic::class,
        PresentTopic::class,
        OutagesTopic::class,
        LearnTopic::class,
        MissesTopic::class,
        RouteTopic::class,
        ProgrammeTopic::class,
        SurfaceTopic::class,
        TimelinesTopic::class,
        RecordingTopic::class,
        TimetableTopic::class,
        DeskTopic::class,
        TapesTopic::class,
    ];

    /** Ids as a show has them, with what topics put before or behind them; nothing that a show could not have. */
    private const SUBJECT = '#^[a-z0-9][a-z0-9:-]{0,89}$#D';

    public static function mayBeAnId(string $subject): bool
    {
        return preg_match(self::SUBJECT, $subject) === 1;
    }

    /** @return array<string, Topic> by name */
    public static function of(
        Engine $engine,
        PortReport $ports,
        Warnings $warnings,
        Descriptors $descriptors,
        People $people,
        ShowMode $showMode,
    ): array {
        $junction = $engine->junction;
        $topics = [
            new StatusTopic($engine, $ports, $warnings, $descriptors, $showMode),
            new MinutesTopic($junction),
            new FindsTopic($ports),
            new TraceTopic($junction),
            new LevelsTopic($junction),
            new SourcesTopic($junction),
            new ScopeTopic($junction),
            new PointsTopic($junction),
            new PresentTopic($people),
            new OutagesTopic($junction),
            new LearnTopic($junction),
            new MissesTopic($junction),
            new RouteTopic($junction),
            new ProgrammeTopic($junction),
            new SurfaceTopic($junction),
            new TimelinesTopic($junction),
            new RecordingTopic($junction),
            new TimetableTopic($junction),
            new DeskTopic($junction),
            new TapesTopic($engine),
        ];

        return array_combine(array_map(static fn(Topic $topic): string => $topic::name(), $topics), $topics);
    }
}
