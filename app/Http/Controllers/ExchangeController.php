<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\EditAnswer;
use App\Shows\Draft;
use App\Shows\FreeIds;
use App\Shows\SceneIn;
use App\Shows\ShowStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Gdtf\FixtureTypes;
use NimbleJunction\Core\Gdtf\FixtureTypeWriter;
use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Gdtf\SceneReader;
use NimbleJunction\Core\Gdtf\SceneWriter;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** Profiles as fixture types (GDTF), and the patch as a scene (MVR): in and out. */
final readonly class ExchangeController
{
    private const MOST_BYTES = 60_000_000;

    public function __construct(private ShowStore $shows, private EditAnswer $edits)
    {
    }

    public function takeType(Request $request): JsonResponse
    {
        $taken = self::ofFile($request, FixtureTypes::fromFile(...));
        $name = \is_string($taken->profile['name'] ?? null) ? $taken->profile['name'] : 'Profile';
        $id = '';
        $answer = $this->edits->of($request, "take in the fixture type \"{$name}\"", static function (Draft $draft) use ($taken, $name, &$id): void {
            $id = (new FreeIds('profiles', $draft->ids('profiles')))->forName($name);
            $draft->put('profiles', $id, $taken->profile);
        });

        return EditAnswer::with($answer, ['id' => $id, 'left' => $taken->left]);
    }

    public function type(string $id): Response
    {
        $profile = ShowReader::fromArray($this->shows->document())->profiles[$id] ?? null;
        abort_if($profile === null, 404, "There is no profile \"{$id}\": it may have been deleted on another page.");

        return self::file(static fn(string $path) => FixtureTypeWriter::toFile($profile, $path), "{$id}.gdtf");
    }

    public function takeScene(Request $request): JsonResponse
    {
        $scene = new SceneIn(self::ofFile($request, SceneReader::fromFile(...)));
        $answer = $this->edits->of($request, 'take in the fixtures of a scene', $scene->apply(...));

        return EditAnswer::with($answer, ['added' => $scene->added, 'left' => $scene->left]);
    }

    public function scene(): Response
    {
        $show = ShowReader::fromArray($this->shows->document());
        $name = Str::slug($show->name) ?: 'show';

        return self::file(static fn(string $path) => SceneWriter::toFile($show, $path), "{$name}.mvr");
    }

    /**
     * @template T
     *
     * @param callable(string): T $read
     *
     * @return T
     *
     * @throws ShowRefused
     */
    private static function ofFile(Request $request, callable $read): mixed
    {
        $bytes = $request->getContent();
        if ($bytes === '' || \strlen($bytes) > self::MOST_BYTES) {
            throw ShowRefused::because([new Fault('', $bytes === '' ? 'no file was sent' : 'it is larger than 60 MB', 'Send the file itself.')]);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'junction-in');
        try {
            file_put_contents($path, $bytes);

            return $read($path);
        } catch (NotTaken $refused) {
            throw ShowRefused::because([new Fault('', lcfirst(rtrim($refused->problem, '.')), $refused->wayOut)]);
        } finally {
            unlink($path);
        }
    }

    /** @param callable(string): void $write */
    private static function file(callable $write, string $name): Response
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'junction-out');
        try {
            $write($path);

            return response((string) file_get_contents($path), 200, [
                'Content-Type' => 'application/zip',
                'Content-Disposition' => "attachment; filename=\"{$name}\"",
            ]);
        } finally {
            unlink($path);
        }
    }
}
