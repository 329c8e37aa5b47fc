<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Health\Health;
use App\Health\PrometheusText;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NimbleJunction\Engine\Events\EventKind;
use NimbleJunction\Engine\Events\EventLog;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** How the installation is, for monitors, and for people who are logged in; what has happened in it. */
final readonly class HealthController
{
    private const MOST_EVENTS = 500;

    public function __construct(private Health $health, private EventLog $events)
    {
    }

    /** For whoever asks: no name, no address, no count. 200 while the engine runs, 503 when it does not. */
    public function health(): JsonResponse
    {
        $engine = $this->health->engine();
        $runs = $engine !== null && $engine !== [];
        $isWell = $runs && $this->health->troubles($engine) === [];

        return response()->json(
            ['status' => $isWell ? 'well' : ($runs ? 'troubled' : 'down'), 'engine' => $runs],
            $runs ? 200 : 503,
        );
    }

    /** For monitors of this machine, and for those that know the word. */
    public function metrics(Request $request): Response
    {
        $token = (string) config('junction.metrics_token');
        $isHere = \in_array($request->ip(), ['127.0.0.1', '::1'], true);
        if (! $isHere && ($token === '' || ! hash_equals($token, (string) $request->bearerToken()))) {
            return response(
                "Figures are given to this machine alone, and to those who show the word that JUNCTION_METRICS_TOKEN has.\n",
                403,
                ['Content-Type' => 'text/plain'],
            );
        }

        return response(
            PrometheusText::of($this->health, $this->health->engine()),
            200,
            ['Content-Type' => PrometheusText::MEDIA_TYPE],
        );
    }

    public function machine(): JsonResponse
    {
        $engine = $this->health->engine();

        return response()->json([
            'version' => $this->health->version(),
            'php' => \PHP_VERSION,
            'engine' => $engine === [] ? null : $engine,
            'troubles' => $this->health->troubles($engine),
            'room' => $this->health->room(),
        ]);
    }

    public function events(Request $request): JsonResponse
    {
        self::forOperators($request);
        $asked = $request->validate([
            'kind' => 'string|max:20',
            'text' => 'string|max:100',
            'most' => 'integer|min:1|max:'.self::MOST_EVENTS,
        ]);
        $kind = EventKind::tryFrom((string) ($asked['kind'] ?? ''));

        return response()->json([
            'kinds' => array_column(EventKind::cases(), 'value'),
            'events' => $this->events->read(
                (int) ($asked['most'] ?? 200),
                $kind === null ? [] : [$kind->value],
                (string) ($asked['text'] ?? ''),
            ),
        ]);
    }

    /** All that is kept, as JSON lines, the oldest first. */
    public function download(Request $request): StreamedResponse
    {
        self::forOperators($request);

        return response()->streamDownload(function (): void {
            foreach (array_reverse($this->events->files()) as $file) {
                readfile($file);
            }
        }, 'events.jsonl', ['Content-Type' => 'application/jsonl']);
    }

    /** Who logged in, and from where, is not for everybody. */
    private static function forOperators(Request $request): void
    {
        abort_unless($request->user()?->role->mayOperate() === true, 403, 'Viewers only look on: log in as operator or builder.');
    }
}
