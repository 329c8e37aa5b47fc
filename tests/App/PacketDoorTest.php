<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Samples;
use Symfony\Component\Process\Process;

/** The one door to every format: junction:decode, junction:encode, and the page's own questions. */
final class PacketDoorTest extends AppTestCase
{
    public function testEveryFormatGoesThroughTheCommandsAndBack(): void
    {
        foreach (Samples::all() as $format => $packets) {
            $hex = implode("\n", array_map(bin2hex(...), $packets))."\n";
            $json = $this->artisanReading(['junction:decode', $format], $hex);
            self::assertSame(0, $json->getExitCode(), $json->getOutput());
            self::assertCount(\count($packets), explode("\n", trim($json->getOutput())));
            $again = $this->artisanReading(['junction:encode', $format], $json->getOutput());
            self::assertSame($hex, $again->getOutput(), $format);
        }
    }

    public function testFieldNamesAreTheStandards(): void
    {
        $out = json_decode(
            $this->artisanReading(
                ['junction:decode', 'artnet'],
                "41 72 74 2d 4e 65 74 00 00 50 00 0e 09 00 01 00 00 04 ff 80 01 00\n",
            )->getOutput(),
            true,
        );
        self::assertSame(
            [
                'ID' => 'Art-Net',
                'OpCode' => 0x5000,
                'ProtVer' => 14,
                'Sequence' => 9,
                'Physical' => 0,
                'SubUni' => 1,
                'Net' => 0,
                'Length' => 4,
                'Data' => [255, 128, 1, 0],
            ],
            $out,
        );
        $out = json_decode(
            $this->artisanReading(
                ['junction:decode', 'osc'],
                "2f6f7363696c6c61746f722f342f6672657175656e6379002c66000043dc0000\n",
            )->getOutput(),
            true,
        );
        self::assertSame(
            ['OSC Address Pattern' => '/oscillator/4/frequency', 'OSC Type Tag String' => ',f', 'OSC Arguments' => [440.0]],
            $out,
        );
    }

    public function testWhatIsWrongIsOneObjectAndTheNextLineGoesOn(): void
    {
        $process = $this->artisanReading(['junction:decode', 'sacn'], "00\nxyz\n123\n");
        self::assertSame(1, $process->getExitCode());
        $lines = array_map(
            static fn(string $line): array => json_decode($line, true),
            explode("\n", trim($process->getOutput())),
        );
        self::assertSame(
            ['error' => 'An sACN root layer takes at least 42 bytes, 1 arrived', 'offset' => 1, 'clause' => 'ANSI E1.31-2018, 5'],
            $lines[0],
        );
        self::assertSame('"x" is not a hexadecimal digit', $lines[1]['error']);
        self::assertSame('the number of hexadecimal digits is odd', $lines[2]['error']);
        $process = $this->artisanReading(['junction:encode', 'dmx'], "{\"slots\": [256]}\n[\n");
        self::assertSame(1, $process->getExitCode());
        self::assertStringContainsString('slots/0: it is 256; use a whole number from 0 to 255', $process->getOutput());
        self::assertStringContainsString('it is not a JSON object', $process->getOutput());
    }

    public function testAFileIsReadWhole(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'junction-file-');
        file_put_contents($file, Samples::all()['smf'][0]);
        try {
            $out = json_decode($this->artisanReading(['junction:decode', 'smf', "--file={$file}"], '')->getOutput(), true);
            self::assertSame([0, 1, 480], [$out['format'], $out['ntrks'], $out['division']]);
        } finally {
            unlink($file);
        }
        self::assertSame(2, $this->artisanReading(['junction:decode', 'smf', '--file=/nowhere'], '')->getExitCode());
        self::assertStringContainsString(
            'Known are: artnet, sacn, osc',
            $this->artisanReading(['junction:decode', 'morse'], '')->getOutput(),
        );
    }

    public function testThePageIsToldWhereEachFieldIs(): void
    {
        $this->postJson('/api/packets/decode', ['hex' => '00'])->assertStatus(401);
        $this->as(Role::Viewer);
        $this->postJson(
            '/api/packets/decode',
            ['hex' => 'f07f14020101310031f7'],
        )->assertOk()->assertJsonPath('format', 'midi')->assertJsonPath(
            'part.parts.0.parts.0.parts.1',
            ['name' => 'device_ID', 'offset' => 2, 'length' => 1, 'meaning' => '', 'value' => 20],
        );
        $this->postJson('/api/packets/decode', ['hex' => '41zz'])->assertOk()->assertJsonPath('refused.offset', 1);
        $this->postJson('/api/packets/decode', ['hex' => '42'])->assertOk()->assertJsonPath(
            'refused.error',
            'How it begins fits no format that is known here: choose one.',
        );
        $this->postJson(
            '/api/packets/encode',
            ['format' => 'dmx', 'json' => '{"slots": [1, 2]}'],
        )->assertOk()->assertJsonPath('bytes', '000102');
        $this->postJson('/api/packets/encode', ['format' => 'dmx', 'json' => '{"slots": []}'])->assertStatus(422);
    }

    /** @param list<string> $words */
    private function artisanReading(array $words, string $input): Process
    {
        $process = new Process([PHP_BINARY, 'artisan', ...$words], Background::root(), null, $input, 180);
        $process->run();

        return $process;
    }
}
