<?php

declare(strict_types=1);

namespace App\Exchange;

use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Gdtf\SceneReader;
use NimbleJunction\Core\Gdtf\SceneWriter;
use NimbleJunction\Core\Gdtf\Taken;
use NimbleJunction\Core\Show\Show;

/** A scene as the archive that it is exchanged in (.mvr), with its fixture types inside. */
final readonly class SceneFile
{
    private const DESCRIPTION = 'GeneralSceneDescription.xml';

    private function __construct(private Archive $archive, public SceneReader $scene)
    {
    }

    /** @throws NotTaken */
    public static function read(string $bytes): self
    {
        $archive = Archive::of($bytes);

        return new self($archive, SceneReader::fromXml($archive->read(self::DESCRIPTION)));
    }

    /**
     * The fixture type that a fixture names.
     *
     * @throws NotTaken
     */
    public function type(string $spec): Taken
    {
        return FixtureTypeFile::read($this->archive->read(str_ends_with($spec, '.gdtf') ? $spec : "{$spec}.gdtf"));
    }

    public static function bytes(Show $show): string
    {
        $files = [self::DESCRIPTION => SceneWriter::xml($show)];
        foreach ($show->profiles as $profile) {
            $files[SceneWriter::spec($profile)] = FixtureTypeFile::bytes($profile);
        }

        return Archive::packed($files);
    }
}
