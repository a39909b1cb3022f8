<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\MoneyOut\Traces;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** By which ways money had come in that was paid on an agreement and became a deposit. */
final class AgreementTrace implements Traces
{
    public function __construct(private readonly House $house)
    {
    }

    public function ways(int $document): ?array
    {
        $agreement = DB::table('agreements')
            ->whereIn(
                'account_id',
                HeldEntry::query()
                    ->where('document_id', $document)
                    ->where('movement', Movement::Moved)
                    ->select('account_id'),
            )
            ->value('id');

        return is_int($agreement)
            ? AgreementMoney::of($agreement, $this->house->currency())->moved[$document] ?? null
            : null;
    }
}
