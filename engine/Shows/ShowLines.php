<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Edit\Update;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * A show in lines of JSON, so that each can be read by itself: first its head, as the head of a document, then pieces
 * {"list": "routes", "parts": […]}, then updates. A whole document in one line, or over several, is one too.
 */
final class ShowLines
{
    /**
     * @param list<string> $lines
     * @param \Closure(): void|null $between called between two lines
     *
     * @return array<mixed> the document; whatever is wrong in its parts is for its reader to say
     *
     * @throws ShowRefused when a line of it is broken
     */
    public static function document(array $lines, ?\Closure $between = null): array
    {
        $head = json_decode($lines[0] ?? '', true, 64);
        if (! \is_array($head)) {
            $whole = json_decode(implode("\n", $lines), true, 64);

            return \is_array($whole) ? $whole : [];
        }
        $document = $head;
        foreach (\array_slice($lines, 1) as $number => $line) {
            if ($between !== null) {
                $between();
            }
            $piece = json_decode($line, true, 64);
            if (! \is_array($piece)) {
                throw ShowRefused::because([new Fault(
                    '',
                    'line '.($number + 2).' is no JSON',
                    'A part of the stored show is broken: change it, or import a show.',
                )]);
            }
            $document = self::with($document, $piece);
        }

        return $document;
    }

    /**
     * @param array<mixed> $document
     * @param array<mixed> $piece
     *
     * @return array<mixed>
     */
    private static function with(array $document, array $piece): array
    {
        $list = $piece['list'] ?? null;
        $parts = $piece['parts'] ?? null;
        if (! \is_string($list) || ! isset(Show::LISTS[$list]) || ! \is_array($parts)) {
            return Update::fromArray($piece)->document($document);
        }
        $before = \is_array($document[$list] ?? null) ? $document[$list] : [];
        array_push($before, ...array_values($parts));
        $document[$list] = $before;

        return $document;
    }
}
