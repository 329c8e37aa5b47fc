<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Live\LinkAddress;
use App\Live\Secret;
use App\Shows\Csv;
use App\Shows\Draft;
use App\Shows\Neighbourhood;
use App\Shows\ShowStore;
use App\Surfaces\Door;
use App\Surfaces\SurfaceFile;
use App\Surfaces\TemplateDeed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\RateLimiter;
use NimbleJunction\Core\Panel\OscLayout;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Surface\Entry;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;

/** The door of a surface: its pass code, and the token that reaches it and nothing else. */
final readonly class SurfaceController
{
    /** Of one address; and of all together, whoever tries from many. */
    private const TRIES_A_MINUTE = 5;
    private const TRIES_OF_ALL = 60;

    public function __construct(private Door $door, private EditAnswer $edits, private ShowStore $shows)
    {
    }

    /** Whether whoever asks is in, and if not, how they get in. What is not there looks like what is closed. */
    public function entry(Request $request, string $id): JsonResponse
    {
        $isIn = $request->user() !== null || $this->door->visit($request, $id) !== '';
        $way = $this->door->entry($id) === Entry::Code ? 'code' : 'closed';

        return response()->json([
            'entry' => $isIn ? 'in' : $way,
            'name' => $isIn || $way === 'code' ? $this->door->name($id) : '',
        ]);
    }

    public function enter(Request $request, string $id): JsonResponse
    {
        $this->tried($request, $id, fn(string $code): bool => $this->door->enter($id, $code));

        return response()->json(['entry' => 'in', 'name' => $this->door->name($id)]);
    }

    /** Out of a kiosk, by the code of its surface. */
    public function wayOut(Request $request, string $id): JsonResponse
    {
        $this->tried($request, $id, fn(string $code): bool => $this->door->isCode($id, $code));

        return response()->json(['entry' => 'in', 'name' => $this->door->name($id)]);
    }

    /** @param \Closure(string): bool $isRight */
    private function tried(Request $request, string $id, \Closure $isRight): void
    {
        $fields = $request->validate(['code' => 'required|string|max:40']);
        $keys = ["surface {$id} {$request->ip()}" => self::TRIES_A_MINUTE, "surface {$id}" => self::TRIES_OF_ALL];
        foreach ($keys as $key => $most) {
            abort_if(RateLimiter::tooManyAttempts($key, $most), 429, 'Too many wrong codes: wait a minute, then try again.');
        }
        if (! $isRight($fields['code'])) {
            array_map(RateLimiter::hit(...), array_keys($keys));
            abort(422, 'That is not the code.');
        }
        RateLimiter::clear(array_key_first($keys));
    }

    public function leave(string $id): JsonResponse
    {
        $this->door->leave($id);

        return response()->json(['entry' => 'closed', 'name' => '']);
    }

    public function token(Request $request, string $id): JsonResponse
    {
        $user = $request->user();
        $visit = $user === null ? $this->door->visit($request, $id) : '';
        abort_if($user === null && $visit === '', 403, 'This surface is closed to you.');
        $secret = Secret::derive((string) config('app.key'));
        $token = $user !== null
            ? Token::sign($user->name, $user->role, $secret, time(), visit: (string) $request->session()->get('visit', ''))
            : Token::sign($this->door->name($id), Role::Guest, $secret, time(), $id, $visit);

        return response()->json(['token' => $token, 'live' => LinkAddress::live(), 'standIns' => null]);
    }

    /** What a phone needs to have it among its programs: its name is told to those who are in, or asked for a code. */
    public function manifest(Request $request, string $id): JsonResponse
    {
        $name = $this->entry($request, $id)->getData(true)['name'] ?: 'Surface';
        $icon = static fn(int $size): array => [
            'src' => "/icons/{$size}.png",
            'sizes' => "{$size}x{$size}",
            'type' => 'image/png',
            'purpose' => 'any',
        ];

        return response()->json([
            'name' => $name,
            'short_name' => mb_substr($name, 0, 12),
            'id' => "/s/{$id}",
            'start_url' => "/s/{$id}",
            'scope' => "/s/{$id}",
            'display' => 'fullscreen',
            'background_color' => '#0b1d20',
            'theme_color' => '#0b1d20',
            'icons' => [$icon(192), $icon(512)],
        ])->header('Content-Type', 'application/manifest+json');
    }

    /** Pages by a template. */
    public function template(Request $request, string $id): JsonResponse
    {
        /** @var array<mixed> $asked */
        $asked = $request->json()->all();
        $deed = new TemplateDeed($id, $asked);

        return $this->edits->of($request, $deed->summary(), $deed->apply(...), null);
    }

    /** A surface comes in from a file. */
    public function file(Request $request): JsonResponse
    {
        $file = new SurfaceFile($request->getContent());
        $answer = $this->edits->of($request, 'take in a surface from a file', $file->apply(...));

        return EditAnswer::with($answer, ['id' => $file->id, 'left' => $file->left]);
    }

    /** What a tablet program of another maker needs: as a table for a spreadsheet, or with ?json=1 for the page. */
    public function addresses(Request $request, string $id): Response|JsonResponse
    {
        $around = new Neighbourhood(new Draft($this->shows->current()));
        $around->add('panels', [$id]);
        $around->addWhatIsNamed();
        $show = ShowReader::fromArray($around->document());
        $panel = $show->panels[$id] ?? null;
        $surface = $show->surfaces[$panel->surface ?? ''] ?? null;
        abort_if(
            $panel === null || $surface === null,
            404,
            "There is no panel \"{$id}\": it may have been deleted on another page.",
        );
        $lines = (new OscLayout($panel, $surface))->lines();
        if ($request->boolean('json')) {
            return response()->json(['columns' => OscLayout::COLUMNS, 'lines' => $lines]);
        }

        return response(
            Csv::write([OscLayout::COLUMNS, ...$lines]),
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$id}.csv\""],
        );
    }

    public function coded(): JsonResponse
    {
        return response()->json(['surfaces' => $this->door->coded()]);
    }

    public function setCode(Request $request, string $id): JsonResponse
    {
        $fields = $request->validate(['code' => 'present|nullable|string|max:40']);
        $code = (string) $fields['code'];
        abort_if($code !== '' && preg_match(Door::CODE, $code) !== 1, 422, 'A pass code has 4 to 12 digits.');
        abort_if(
            $this->door->entry($id) === null,
            404,
            "There is no surface \"{$id}\": it may have been deleted on another page.",
        );
        $this->door->setCode($id, $code);

        return $this->coded();
    }
}
