<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Exchange\Archive;
use App\Exchange\FixtureTypeFile;
use App\Exchange\SceneFile;
use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Archives that somebody brings along: read with suspicion, and nothing left behind. */
final class ArchiveTest extends TestCase
{
    public function testATypeAndASceneGoOutAndComeIn(): void
    {
        $show = ShowReader::fromArray([
            ...Rig::document(),
            'profiles' => [Library::all()[7]],
            'fixtures' => [['id' => 'a', 'name' => 'A', 'profile' => 'moving-head-16', 'universe' => 'palm', 'first' => 5]],
        ]);
        self::assertSame(
            'Moving head, 16 bit',
            FixtureTypeFile::read(FixtureTypeFile::bytes($show->profiles['moving-head-16']))->profile['name'],
        );
        $scene = SceneFile::read(SceneFile::bytes($show));
        self::assertCount(1, $scene->scene->fixtures);
        self::assertSame('Moving head, 16 bit', $scene->type('moving-head-16.gdtf')->profile['name']);
        $this->expectException(NotTaken::class);
        $scene->type('../../etc/passwd');
    }

    /** @return iterable<string, array{array<string, string>, string}> files by name, and why they are refused */
    public static function hostile(): iterable
    {
        yield 'a packed bomb' => [['description.xml' => str_repeat(' ', 30_000_000)], 'would be 30000000 bytes, packed into'];
        yield 'a way out of the folder' => [['../../away.xml' => 'x'], 'lies outside of it'];
        yield 'an absolute path' => [['/etc/away' => 'x'], 'lies outside of it'];
        yield 'a path of another system' => [['C:\\away' => 'x'], 'lies outside of it'];
        yield 'no description' => [['other.xml' => 'x'], 'There is no "description.xml"'];
        yield 'very many files' => [
            array_fill_keys(array_map(static fn(int $i): string => "f{$i}", range(1, 2001)), ''),
            'It holds 2001 files',
        ];
    }

    /** @param array<string, string> $files */
    #[DataProvider('hostile')]
    public function testWhatIsMadeToDoHarmIsRefused(array $files, string $words): void
    {
        $before = glob(sys_get_temp_dir().'/junction-*') ?: [];
        try {
            FixtureTypeFile::read(Archive::packed($files));
            self::fail('it was taken');
        } catch (NotTaken $refused) {
            self::assertStringContainsString($words, $refused->getMessage());
        }
        self::assertSame($before, glob(sys_get_temp_dir().'/junction-*') ?: [], 'nothing is left behind');
    }

    public function testRubbishIsNoArchive(): void
    {
        foreach ([random_bytes(500), '', substr(Archive::packed(['description.xml' => '<GDTF/>']), 0, 40)] as $bytes) {
            try {
                Archive::of($bytes);
                self::fail('it was taken');
            } catch (NotTaken $refused) {
                self::assertStringContainsString('no zip archive', $refused->getMessage());
            }
        }
    }
}
