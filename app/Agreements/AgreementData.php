<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Support\PersonalData;
use Illuminate\Support\Facades\DB;

/** Whom something is promised to is not erased. */
final class AgreementData implements PersonalData
{
    /** Of layaways, orders and quotes alike: those that go on. */
    private const OPEN = ['running', 'ready', 'open'];

    public function hinders(int $customer): ?string
    {
        return DB::table('agreements')->where('customer_id', $customer)->whereIn('state', self::OPEN)->exists()
            ? 'A layaway, an order or a quote of theirs goes on: end it first.' : null;
    }

    public function shows(int $customer): array
    {
        $agreements = DB::table('agreements')->where('customer_id', $customer)->orderBy('id')
            ->get(['kind', 'label', 'state'])->map(get_object_vars(...))->all();

        return ['layaways, orders, quotes' => array_values($agreements)];
    }

    public function erase(int $customer): void
    {
        // What was agreed and is done stands behind documents.
    }
}
