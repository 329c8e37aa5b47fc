<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Amendment;

/** What came of an edit. */
final readonly class Edited
{
    /**
     * @param int $base the revision before
     * @param int $revision the revision of now; the same where nothing has changed
     * @param string|null $notice what the engine says against it, or that it does not run; null when it is running
     * @param string $summary of the edit, or of the one that was taken back or done again
     * @param string $by who made that one
     */
    public function __construct(
        public Amendment $amendment,
        public int $base,
        public int $revision,
        public ?string $notice,
        public string $summary,
        public string $by = '',
    ) {
    }

    /** @return array{summary: string, by: string, notice: string|null} */
    public function toArray(): array
    {
        return ['summary' => $this->summary, 'by' => $this->by, 'notice' => $this->notice];
    }
}
