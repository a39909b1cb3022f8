<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What labels are wanted of, and their sheet. */
final class LabelController
{
    private const SIZE = 'labels.size';

    /** @param  iterable<ListsForLabels>  $lists */
    public function __construct(private readonly iterable $lists)
    {
    }

    public function index(Request $request): View
    {
        return view('labels.index', [
            'list' => LabelList::written($this->asked($request)),
            'sizes' => LabelSize::all(),
            'size' => $request->session()->get(self::SIZE, 'a4-24'),
            'today' => ShopTime::today(),
        ]);
    }

    public function print(LabelRequest $request, ItemSearch $search, House $house): Response
    {
        $list = LabelList::read($request->string('list')->value(), $search);
        $size = LabelSize::named($request->string('size')->value());
        $day = CarbonImmutable::parse($request->string('day')->value());
        $request->session()->put(self::SIZE, $size->name);
        (new Collection(array_column($list->rows, 0)))->loadMissing(['breaks', 'promotions']);

        return new Response(
            LabelPdf::of(
                array_map(static fn (array $row): array => [Label::of($row[0], $day, $house), $row[1]], $list->rows),
                $size,
                min($request->integer('first', 1), $size->onPage()),
                $house->currency()->code,
            ),
            headers: ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="labels.pdf"'],
        );
    }

    /** @return iterable<array{Item, int}> */
    private function asked(Request $request): iterable
    {
        $asked = array_filter($request->query->all(), is_string(...));

        foreach ($this->lists as $list) {
            if ($list->name() === ($asked['from'] ?? '')) {
                yield from $list->items($asked);
            }
        }
    }
}
