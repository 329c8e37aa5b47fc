<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** Whether everything but the live page and surfaces is locked. Who locked it, and the code, are the application's. */
final class ShowMode
{
    public const FILE = 'show-mode.json';

    public function __construct(public string $by = '')
    {
    }

    /** @param string $directory the data folder; '' for none */
    public static function kept(string $directory): self
    {
        $kept = $directory === '' ? null : json_decode((string) @file_get_contents("{$directory}/".self::FILE), true);
        $by = \is_array($kept) ? $kept['by'] ?? 'somebody' : '';

        return new self(\is_string($by) ? $by : 'somebody');
    }

    public function isOn(): bool
    {
        return $this->by !== '';
    }
}
