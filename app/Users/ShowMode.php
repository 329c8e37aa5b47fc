<?php

declare(strict_types=1);

namespace App\Users;

use App\Health\Noted;
use App\Live\EngineDoor;
use Illuminate\Support\Facades\Hash;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\ShowMode as EnginesShowMode;

/**
 * While a show runs everything but the live page and surfaces can be locked with a code, for everybody. It stays so over a
 * restart.
 */
final readonly class ShowMode
{
    /** Four digits at least, as they are typed in the dark. */
    private const CODE = '/^\d{4,12}$/D';

    public function __construct(private EngineDoor $engine, private string $data)
    {
    }

    /** @return string who has locked it; '' while nobody has */
    public function by(): string
    {
        return EnginesShowMode::kept($this->data)->by;
    }

    /** @throws ShowRefused */
    public function lock(string $code, string $by): void
    {
        if ($this->by() !== '') {
            throw self::refused('it is locked already', 'Unlock it first.');
        }
        if (preg_match(self::CODE, $code) !== 1) {
            throw self::refused('that is no code', 'Use 4 to 12 digits.');
        }
        $path = $this->path();
        $json = json_encode(['by' => $by, 'hash' => Hash::make($code), 'at' => time()], JSON_THROW_ON_ERROR);
        if (
            @file_put_contents("{$path}.next", $json) !== \strlen($json)
            || ! @chmod("{$path}.next", 0o600)
            || ! @rename("{$path}.next", $path)
        ) {
            throw self::refused('it cannot be written down', 'Is the disk full? Make room there, then try again.');
        }
        $this->engine->showMode($by);
        Noted::people("Show mode: everything but the live page and surfaces is locked, by {$by}.");
    }

    /** @throws ShowRefused */
    public function unlock(string $code, string $by): void
    {
        $kept = json_decode((string) @file_get_contents($this->path()), true);
        if (\is_array($kept) && ! Hash::check($code, (string) ($kept['hash'] ?? ''))) {
            throw self::refused(
                'that is not the code',
                'Try again; whoever sits at the machine can unlock it without (junction:show-mode off).',
            );
        }
        $this->end($by);
    }

    /** For whoever sits at the machine. */
    public function end(string $by): void
    {
        @unlink($this->path());
        $this->engine->showMode('');
        Noted::people("Show mode is over, by {$by}.");
    }

    private function path(): string
    {
        return "{$this->data}/".EnginesShowMode::FILE;
    }

    private static function refused(string $problem, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault('code', $problem, $wayOut)]);
    }
}
