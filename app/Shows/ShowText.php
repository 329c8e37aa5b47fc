<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Show;
use NimbleJunction\Core\Document\Table;
use NimbleJunction\Core\Show\Show as ShowDocument;

/** A stored show as the document that leaves. */
final class ShowText
{
    private const IN_A_LINE = 50;

    /** @return array<string, mixed> */
    public static function document(Show $show): array
    {
        $document = [
            'format' => ShowDocument::FORMAT,
            'version' => ShowDocument::VERSION,
            'name' => $show->name,
            'middleC' => $show->middle_c ?? 4,
        ];
        $lists = [];
        foreach ($show->parts()->toBase()->orderBy('position')->orderBy('key')->get(['kind', 'definition']) as $row) {
            $lists[$row->kind][] = json_decode($row->definition, true);
        }
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $document[$list] = $lists[$list] ?? [];
        }

        return $document;
    }

    /**
     * The show in lines of JSON, so that whoever reads it can do so piece by piece: its head, then parts of one list each.
     *
     * @return non-empty-list<string>
     */
    public static function lines(Show $show): array
    {
        $head = [
            'format' => ShowDocument::FORMAT,
            'version' => ShowDocument::VERSION,
            'name' => $show->name,
            'middleC' => $show->middle_c ?? 4,
        ];
        $lines = [json_encode($head, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)];
        foreach ($show->parts()->toBase()->orderBy('position')->orderBy('key')->get([
            'kind',
            'definition',
        ])->groupBy('kind') as $list => $rows) {
            foreach ($rows->chunk(self::IN_A_LINE) as $some) {
                $lines[] = "{\"list\":\"{$list}\",\"parts\":[".str_replace("\n", ' ', $some->implode('definition', ',')).']}';
            }
        }

        return $lines;
    }

    public static function json(Show $show): string
    {
        return json_encode(
            self::withObjects(self::document($show)),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed> ready for JSON: an object with nothing in it is one
     */
    public static function withObjects(array $document): array
    {
        foreach (array_keys(ShowDocument::LISTS) as $list) {
            $table = new Table(ShowDocument::classOf($list));
            // What is broken in the database leaves as it is: the reader says what is wrong with it.
            $document[$list] = array_map(
                static fn(mixed $part): mixed => \is_array($part) ? $table->withObjects($part) : $part,
                $document[$list],
            );
        }

        return $document;
    }
}
