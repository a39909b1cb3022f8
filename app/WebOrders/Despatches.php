<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Illuminate\Database\Eloquent\Collection;

/** The invoices by which goods of an order left. */
final class Despatches
{
    /** @return Collection<int, Document> in the order in which they left */
    public static function of(WebOrder $web): Collection
    {
        return $web->order === null ? new Collection : Document::query()
            ->with('lines')
            ->where('supplies', $web->order->label)
            ->where('kind', DocumentKind::Invoice)
            ->where('purpose', Purpose::Sale)
            ->orderBy('id')
            ->get();
    }
}
