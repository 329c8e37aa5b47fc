<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exchange\FixtureTypeFile;
use App\Shows\Csv;
use App\Shows\Draft;
use App\Shows\Neighbourhood;
use App\Shows\ShowStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NimbleJunction\Core\Offer\OfferSheet;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\ShowWording;

/** What people at a desk are given of an offer: the table of its slots, addresses and messages, and a fixture type (GDTF). */
final readonly class OfferController
{
    public function __construct(private ShowStore $shows)
    {
    }

    /** As a table for a spreadsheet, or with ?json=1 for the page. */
    public function sheet(Request $request, string $id): Response|JsonResponse
    {
        $sheet = $this->sheetOf($id);
        if ($request->boolean('json')) {
            return response()->json([
                'heads' => $sheet->heads(),
                'columns' => OfferSheet::COLUMNS,
                'lines' => $sheet->lines(),
            ]);
        }

        return self::file(Csv::write($sheet->table()), 'text/csv; charset=utf-8', "{$id}.csv");
    }

    public function type(string $id): Response
    {
        return self::file(FixtureTypeFile::bytes($this->sheetOf($id)->profile()), 'application/zip', "{$id}.gdtf");
    }

    private function sheetOf(string $id): OfferSheet
    {
        $around = new Neighbourhood(new Draft($this->shows->current()));
        $around->add('offers', [$id]);
        $around->addWhatIsNamed();
        $show = ShowReader::fromArray($around->document());
        $offer = $show->offers[$id] ?? null;
        abort_if($offer === null, 404, "There is no offer \"{$id}\": it may have been deleted on another page.");

        return new OfferSheet($offer, new ShowWording($show));
    }

    private static function file(string $bytes, string $type, string $name): Response
    {
        return response($bytes, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"{$name}\""]);
    }
}
