<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** What stands on an account, by the journals. */
final class Balances
{
    public function __construct(private readonly House $house)
    {
    }

    /** What entries by hand did to it. */
    public function byHand(string $account): Money
    {
        $sum = Posted::journal()
            ->where('j.account', $account)
            ->where('d.purpose', Purpose::ByHand->value)
            ->selectRaw('COALESCE(SUM(j.debit), 0) - COALESCE(SUM(j.credit), 0) AS balance')
            ->value('balance');

        return $this->house->money((int) $sum);
    }

    /**
     * Debits less credits.
     *
     * @param  int|null  $location whose documents; null: all
     */
    public function of(string $account, ?int $location = null): Money
    {
        $sum = DB::table('journal_lines as j')
            ->when($location !== null, static fn ($lines) => $lines
                ->join('documents as d', 'd.id', '=', 'j.document_id')
                ->where('d.location_id', $location))
            ->where('j.account', $account)
            ->selectRaw('COALESCE(SUM(j.debit), 0) - COALESCE(SUM(j.credit), 0) AS balance')
            ->value('balance');

        return $this->house->money((int) $sum);
    }
}
