<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exchange\FixtureTypeFile;
use App\Exchange\SceneFile;
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
use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Gdtf\NotWritten;
use NimbleJunction\Core\Patch\Profile;
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
        $taken = self::ofFile($request, FixtureTypeFile::read(...));
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
        return self::file(FixtureTypeFile::bytes($this->profile($id)), "{$id}.gdtf");
    }

    /** What that file does not say of the profile. */
    public function notInType(string $id): JsonResponse
    {
        return response()->json(['left' => NotWritten::of($this->profile($id))]);
    }

    public function takeScene(Request $request): JsonResponse
    {
        $scene = new SceneIn(self::ofFile($request, SceneFile::read(...)));
        $answer = $this->edits->of($request, 'take in the fixtures of a scene', $scene->apply(...));

        return EditAnswer::with($answer, ['added' => $scene->added, 'left' => $scene->left]);
    }

    public function scene(): Response
    {
        $show = ShowReader::fromArray($this->shows->document());
        $name = Str::slug($show->name) ?: 'show';

        return self::file(SceneFile::bytes($show), "{$name}.mvr");
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
            throw ShowRefused::because([new Fault(
                '',
                $bytes === '' ? 'no file was sent' : 'it is larger than 60 MB',
                'Send the file itself.',
            )]);
        }
        try {
            return $read($bytes);
        } catch (NotTaken $refused) {
            throw ShowRefused::because([new Fault('', lcfirst(rtrim($refused->problem, '.')), $refused->wayOut)]);
        }
    }

    private static function file(string $bytes, string $name): Response
    {
        return response($bytes, 200, [
            'Content-Type' => 'application/zip',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

    private function profile(string $id): Profile
    {
        $profile = ShowReader::fromArray($this->shows->document())->profiles[$id] ?? null;
        abort_if($profile === null, 404, "There is no profile \"{$id}\": it may have been deleted on another page.");

        return $profile;
    }
}
