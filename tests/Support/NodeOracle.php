<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Symfony\Component\Process\Process;

/** General-purpose npm libraries that make and read packets: sacn, dmxnet, osc, osc-min, midi-file, @tonejs/midi, jzz. */
final class NodeOracle
{
    /**
     * @param list<array<string, mixed>> $questions
     *
     * @return list<array<string, mixed>>
     */
    public static function ask(array $questions): array
    {
        $process = new Process(
            ['node', __DIR__.'/oracle.cjs'],
            Background::root(),
            null,
            json_encode($questions, JSON_THROW_ON_ERROR),
            180,
        );
        $process->mustRun();

        return json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }
}
