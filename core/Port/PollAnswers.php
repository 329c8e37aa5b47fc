<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** How often polls are answered: a flood of them, or one that names somebody else as its sender, must not make us a flood. */
final class PollAnswers
{
    /** A controller polls every 2.5 to 3 s (Art-Net 4, "ArtPoll", from memory); our own choice is half a second. */
    private const ASKER_NANOS = 500_000_000;

    /** Answers to all askers together within a second. Our own choice. */
    private const MOST_A_SECOND = 20;
    private const SECOND = 1_000_000_000;
    private const MOST_ASKERS = 256;

    /** @var array<string, int> when each asker was answered last */
    private array $answered = [];
    private int $secondEnds = 0;
    private int $inSecond = 0;

    public function mayAnswer(string $asker, int $now): bool
    {
        if ($now >= $this->secondEnds) {
            $this->secondEnds = $now + self::SECOND;
            $this->inSecond = 0;
        }
        if ($this->inSecond >= self::MOST_A_SECOND || $now - ($this->answered[$asker] ?? -self::SECOND) < self::ASKER_NANOS) {
            return false;
        }
        ++$this->inSecond;
        unset($this->answered[$asker]);
        if (\count($this->answered) >= self::MOST_ASKERS) {
            array_shift($this->answered);
        }
        $this->answered[$asker] = $now;

        return true;
    }
}
