<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Models\SurfaceCode;
use App\Shows\Draft;
use App\Shows\ShowStore;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use NimbleJunction\Core\Surface\Entry;
use Symfony\Component\HttpFoundation\IpUtils;

/** Who may use a surface: people of the show, whoever knows its pass code, or everybody in its networks. */
final readonly class Door
{
    /** Four digits at least, as they are typed at a phone. */
    public const CODE = '/^\d{4,12}$/D';

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
        $kept = $request->session()->get("surfaces.{$id}");
        $kept = \is_array($kept) ? $kept : [];
        $visit = \is_string($kept['visit'] ?? null) ? $kept['visit'] : '';
        if ($entry === Entry::Network && $this->isNear($request, $id)) {
            return $visit !== '' ? $visit : $this->begin($request, $id, '');
        }

        // Another code, and whoever came in by the one before is out.
        return $entry === Entry::Code && $visit !== '' && ($kept['stamp'] ?? null) === $this->stamp($id) && $this->stamp($id) !== '' ? $visit : '';
    }

    /** @return bool whether it is the code; then whoever asks is in */
    public function enter(Request $request, string $id, string $code): bool
    {
        $hash = $this->hash($id);
        if ($this->entry($id) !== Entry::Code || $hash === '' || ! Hash::check($code, $hash)) {
            return false;
        }
        $this->begin($request, $id, $this->stamp($id));

        return true;
    }

    public function leave(Request $request, string $id): void
    {
        $request->session()->forget("surfaces.{$id}");
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
        return array_values(SurfaceCode::query()->where('show_id', $this->shows->current()->id)->orderBy('surface')->pluck('surface')->map(strval(...))->all());
    }

    private function begin(Request $request, string $id, string $stamp): string
    {
        $visit = Str::random(24);
        $request->session()->put("surfaces.{$id}", ['visit' => $visit, 'stamp' => $stamp]);

        return $visit;
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
