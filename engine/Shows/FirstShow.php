<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\Warnings;

/** What the engine begins with: the stored show, or, where that cannot be read, the one that ran last. */
final readonly class FirstShow
{
    /** Bytes of a show that the self-check reads in one go, without keeping anything waiting. */
    private const LONGEST_CHECKED = 128 * 1024;

    private function __construct(public int $revision = 0, private string $text = '')
    {
    }

    /**
     * @param \Closure(): array{string, int} $read gives the show, as JSON, and its revision
     *
     * @throws ShowRefused where none can be read
     */
    public static function takenOn(
        Engine $engine,
        \Closure $read,
        LastGoodShow $lastGood,
        Warnings $warnings,
        FaultLog $faults,
    ): self {
        try {
            [$json, $revision] = $read();
            $engine->adopt($json);

            return new self($revision, $json);
        } catch (ShowRefused $refused) {
            $wrong = $refused->getMessage();
        } catch (\Throwable $broken) {
            $faults->note('reading the show', $broken);
            $wrong = $broken->getMessage();
        }
        $last = $lastGood->read();
        if ($last === []) {
            throw $refused ?? ShowRefused::because([new Fault('', $wrong, 'Import a sound show document.')]);
        }
        $engine->adopt(json_encode(ShowLines::document($last), \JSON_THROW_ON_ERROR));
        $warnings->raise(
            'show',
            'The stored show cannot be read, so the one that ran last is running. '
                ."What is wrong: {$wrong} Change that part, or import a show.",
        );
        $engine->whenAdopted(static function () use ($warnings): void {
            $warnings->clear('show');
        });

        return new self();
    }

    /** @return string for the self-check, as JSON; '' where it is too long to be read again and again */
    public function checked(): string
    {
        return \strlen($this->text) > self::LONGEST_CHECKED ? '' : $this->text;
    }
}
