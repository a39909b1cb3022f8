<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * Sets a credit against the invoices it came from as far as they are open, then, where it is wanted, against the oldest
 * due. The account locked.
 */
final class CreditSpread
{
    public function __construct(private readonly House $house, private readonly Ledger $ledger)
    {
    }

    /** @param  list<int>  $originals document ids */
    public function handle(
        HouseAccount $account,
        int $credit,
        Money $amount,
        array $originals,
        bool $oldestToo,
        Setting $setting,
    ): void {
        $left = $amount;
        $parts = [];

        foreach ($this->wanted($account, $originals, $oldestToo, $setting) as $item) {
            $part = Money::min($left, $item->open);
            $left = $left->minus($part);
            $parts[$item->document_id] = $part;
        }

        $this->ledger->allocate($account, $credit, $parts, $setting);
    }

    /**
     * @param  list<int>  $originals
     * @return iterable<OpenItemRecord> each once, in order
     */
    private function wanted(HouseAccount $account, array $originals, bool $oldestToo, Setting $setting): iterable
    {
        $own = $originals === []
                ? []
                : OpenItemRecord::query()
                    ->where('customer_id', $account->customer_id)
                    ->where(
                        static fn ($query) => $query
                            ->whereIn('document_id', $originals)
                            ->orWhereIn(
                                'document_id',
                                DB::table('documents')
                                    ->whereIn('refers_to_id', $originals)
                                    ->where('purpose', Purpose::ReturnedPayment->value)
                                    ->select('id'),
                            ),
                    )
                    ->where('kind', ItemKind::Charge)
                    ->where('open', '>', 0)
                    ->orderBy('document_id')
                    ->get();

        foreach ($own as $item) {
            yield $item;
        }

        foreach (
            $oldestToo
                ? AccountItems::open($account->customer_id, ItemKind::Charge, $this->house, $setting->day)->records
                : [] as $item
        ) {
            if (! in_array($item->document_id, $originals, true)) {
                yield $item;
            }
        }
    }
}
