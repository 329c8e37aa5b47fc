<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Models\SurfaceCode;
use App\Shows\Draft;
use App\Shows\ShowStore;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use NimbleJunction\Core\Surface\Entry;
use Symfony\Component\HttpFoundation\IpUtils;

/** Who may use a surface: people of the show, whoever knows its pass code, or everybody in its networks. */
final readonly class Door
{
    /** Four digits at least, as they are typed at a phone. */
    public const CODE = '/^\d{4,12}$/D';

    /** A kiosk comes back by itself after a season: it keeps its visit as long as browsers keep anything. */
    private const KEPT_MINUTES = 400 * 24 * 60;

    /** Whoever was sent away is not let in again without a code for so long. */
    private const AWAY_MINUTES = 12 * 60;
    private const AWAY = 'away';

    public function __construct(private ShowStore $shows)
    {
    }

    /** How somebody gets in who is not in yet; null where there is no such surface. */
    public function entry(string $id): ?Entry
    {
        $part = $this->part($id);

        return $part === null ? null : Entry::tryFrom(self::text($part, 'entry')) ?? Entry::Code;
    }

    /** What people call it. */
    public function name(string $id): string
    {
        return self::text($this->part($id) ?? [], 'name');
    }

    /** @return string the visit of a guest who is in; '' for whoever is not */
    public function visit(Request $request, string $id): string
    {
        $entry = $this->entry($id);
        [$visit, $stamp] = $this->kept($request, $id);
        if ($entry === Entry::Network && $stamp !== self::AWAY && $this->isNear($request, $id)) {
            return $visit !== '' ? $visit : $this->begin($id, '');
        }

        // Another code, and whoever came in by the one before is out.
        return $entry === Entry::Code && $visit !== '' && $stamp === $this->stamp($id) && $stamp !== '' ? $visit : '';
    }

    /** @return bool whether it is the code; then whoever asks is in */
    public function enter(string $id, string $code): bool
    {
        if ($this->entry($id) !== Entry::Code || ! $this->isCode($id, $code)) {
            return false;
        }
        $this->begin($id, $this->stamp($id));

        return true;
    }

    /** Whether it is the code of the surface, which lets out of a kiosk too, whoever may come in. */
    public function isCode(string $id, string $code): bool
    {
        $hash = $this->hash($id);

        return $hash !== '' && Hash::check($code, $hash);
    }

    /** Somebody was sent away: an open network alone lets nobody back in for a while. */
    public function leave(string $id): void
    {
        $this->keep($id, '', self::AWAY, self::AWAY_MINUTES);
    }

    /** @param string $code '' for none: then nobody gets in by one */
    public function setCode(string $id, string $code): void
    {
        $of = ['show_id' => $this->shows->current()->id, 'surface' => $id];
        if ($code === '') {
            SurfaceCode::query()->where($of)->delete();
        } else {
            SurfaceCode::query()->updateOrCreate($of, ['hash' => Hash::make($code)]);
        }
    }

    /** @return list<string> ids of surfaces that have a code */
    public function coded(): array
    {
        return array_values(
            SurfaceCode::query()
                ->where('show_id', $this->shows->current()->id)
                ->orderBy('surface')
                ->pluck('surface')
                ->map(strval(...))
                ->all(),
        );
    }

    private function begin(string $id, string $stamp): string
    {
        $visit = Str::random(24);
        $this->keep($id, $visit, $stamp, self::KEPT_MINUTES);

        return $visit;
    }

    /** In a cookie that only we can read and write: it outlives the session, and the browser. */
    private function keep(string $id, string $visit, string $stamp, int $minutes): void
    {
        Cookie::queue(Cookie::make("surface-{$id}", json_encode([$visit, $stamp], \JSON_THROW_ON_ERROR), $minutes));
    }

    /** @return array{string, string} visit and stamp; '' for none */
    private function kept(Request $request, string $id): array
    {
        $cookie = $request->cookie("surface-{$id}");
        $kept = \is_string($cookie) ? json_decode($cookie, true) : null;
        $text = static fn(int $at): string => \is_array($kept) && \is_string($kept[$at] ?? null) ? $kept[$at] : '';

        return [$text(0), $text(1)];
    }

    private function isNear(Request $request, string $id): bool
    {
        $networks = $this->part($id)['networks'] ?? [];
        $networks = array_values(array_filter(\is_array($networks) ? $networks : [], \is_string(...)));

        return $networks !== [] && IpUtils::checkIp((string) $request->ip(), $networks);
    }

    private function hash(string $id): string
    {
        return (string) SurfaceCode::query()->where(['show_id' => $this->shows->current()->id, 'surface' => $id])->value('hash');
    }

    /** What a session keeps of a code: another one for each code. */
    private function stamp(string $id): string
    {
        return substr($this->hash($id), -16);
    }

    /** @return array<string, mixed>|null */
    private function part(string $id): ?array
    {
        $draft = new Draft($this->shows->current());
        $draft->read('surfaces', [$id]);

        return $draft->part('surfaces', $id);
    }

    /** @param array<string, mixed> $part */
    private static function text(array $part, string $name): string
    {
        $value = $part[$name] ?? '';

        return \is_string($value) ? $value : '';
    }
}
