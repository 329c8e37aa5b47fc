<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Show\Show as ShowDocument;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * Whether a show is sound after an edit. A small edit is looked at with its neighbourhood alone; what is wrong there is
 * said in the words of the whole show.
 */
final class Soundness
{
    /** An edit of more parts than this is looked at in the whole show. */
    private const MOST = 2000;

    /**
     * @param Amendment $amendment what the draft changes
     *
     * @throws ShowRefused
     */
    public static function check(Draft $draft, Amendment $amendment): void
    {
        $document = self::small($draft, $amendment);
        if ($document !== null) {
            try {
                ShowReader::fromArray($document);

                return;
            } catch (ShowRefused) {
                // It may be about a part that the edit does not touch: the whole show says.
            }
        }
        ShowReader::fromArray($draft->document());
    }

    /** @return array<string, mixed>|null a document that is refused if the edit is wrong; null where it takes the whole one */
    private static function small(Draft $draft, Amendment $amendment): ?array
    {
        if ($amendment->count() > self::MOST || isset($amendment->parts['copies'])) {
            return null;
        }
        $around = new Neighbourhood($draft);
        foreach ($amendment->parts as $list => $changes) {
            $ids = array_map(strval(...), array_keys($changes));
            $isGrowing = array_filter($changes, static fn(Change $change): bool => $change->was === null) !== [];
            if ($isGrowing && $draft->count($list) > ShowDocument::LISTS[$list][1]) {
                return null;
            }
            $around->add($list, $ids);
            $around->addWhoNames($list, array_values(array_filter(
                $ids,
                static fn(string $id): bool => ! self::isOnlyRenamed($changes[$id])
                    && Neighbourhood::matters($list, $changes[$id]->was, $changes[$id]->is),
            )));
        }
        $around->addWhatIsNamed();

        return $around->isTooLarge ? null : $around->document();
    }

    /** A name is for people: no other part can be wrong because of it. */
    private static function isOnlyRenamed(Change $change): bool
    {
        return $change->was !== null && $change->is !== null
            && array_diff_key($change->was->part, ['name' => 0]) === array_diff_key($change->is->part, ['name' => 0]);
    }
}
