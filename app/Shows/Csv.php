<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * Tables as comma-separated values (RFC 4180), as spreadsheets write and read them: a mark at the beginning says that
 * it is UTF-8, and semicolons or tabs between cells are understood too. A text that a spreadsheet would take for a
 * formula has an apostrophe in front.
 */
final class Csv
{
    private const MARK = "\u{FEFF}";
    private const FORMULA = '[=+\-@\t\r]';

    /** @param iterable<list<string>> $rows */
    public static function write(iterable $rows): string
    {
        $file = fopen('php://temp', 'w+') ?: throw new \RuntimeException('There is no room for the table.');
        foreach ($rows as $row) {
            fputcsv($file, array_map(self::guarded(...), $row), escape: '', eol: "\r\n");
        }
        rewind($file);
        $text = (string) stream_get_contents($file);
        fclose($file);

        return self::MARK.$text;
    }

    /**
     * @return array<int, list<string>> by the number of the row, from 1; empty ones are left out
     *
     * @throws ShowRefused
     */
    public static function read(string $text): array
    {
        $text = str_starts_with($text, self::MARK) ? substr($text, \strlen(self::MARK)) : $text;
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw ShowRefused::because([new Fault('the file', 'its text is not UTF-8', 'Save it as "CSV UTF-8".')]);
        }
        $file = fopen('php://temp', 'w+') ?: throw new \RuntimeException('There is no room for the table.');
        fwrite($file, $text);
        rewind($file);
        $rows = [];
        for ($number = 1; ($row = fgetcsv($file, separator: self::separator($text), escape: '')) !== false; ++$number) {
            if ($row !== [null]) {
                $rows[$number] = array_map(self::unguarded(...), array_map(strval(...), $row));
            }
        }
        fclose($file);

        return $rows;
    }

    /** Whatever stands most often in the first line. */
    private static function separator(string $text): string
    {
        $line = substr($text, 0, strcspn($text, "\r\n"));
        $counts = [',' => substr_count($line, ','), ';' => substr_count($line, ';'), "\t" => substr_count($line, "\t")];
        arsort($counts);

        return (string) array_key_first($counts);
    }

    private static function guarded(string $cell): string
    {
        return ! is_numeric($cell) && preg_match("/^'*".self::FORMULA.'/', $cell) === 1 ? "'{$cell}" : $cell;
    }

    private static function unguarded(string $cell): string
    {
        return preg_match("/^''*".self::FORMULA.'/', $cell) === 1 ? substr($cell, 1) : $cell;
    }
}
