<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\AllocationRecord;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Sets a credit against other items than it is set against now: unused credit is used, a payment on the wrong invoice
 * is moved. What stood before is taken back by rows of its own, so that everything stays on record.
 */
final class SpreadCredit
{
    public function __construct(
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly House $house,
        private readonly TakeDiscountBack $discounts,
    ) {
    }

    /**
     * @param  array<string, Money>  $wanted what is to be on which item when it is done, by its number
     *
     * @throws Refused not_a_credit, stays_there, not_open, over_item, over_payment, reason_missing
     */
    public function handle(
        OpenItemRecord $credit,
        array $wanted,
        string $reason,
        string $act,
        Staff $by,
        Till $till,
    ): void {
        $write = function (HouseAccount $account) use ($credit, $wanted, $reason, $act, $by, $till): bool {
            $credit = OpenItemRecord::query()->findOrFail($credit->document_id);

            if ($credit->kind !== ItemKind::Credit) {
                throw Refused::because('not_a_credit', "{$credit->label} is not a payment or credit.");
            }

            if (in_array($credit->purpose, [Purpose::BadDebt, Purpose::SmallDifference], true)) {
                throw Refused::because(
                    'stays_there', "{$credit->label} was let off of what it stands against, and of nothing else.",
                );
            }

            $this->set(
                $account,
                $credit,
                $wanted,
                Setting::by($by, ShopTime::today(), $act, $reason),
                PostedAt::till($till, $by->id, ShopTime::today()),
            );

            return true;
        };

        $this->books->post(
            Posting::under($act)
                ->locking(fn (): HouseAccount => $this->ledger->lock($credit->customer_id))
                ->unless(static fn (): ?bool => AllocationRecord::query()->where('act', $act)->exists() ? true : null)
                ->writing($write),
        );
    }

    /** @param  array<string, Money>  $wanted */
    private function set(
        HouseAccount $account,
        OpenItemRecord $credit,
        array $wanted,
        Setting $setting,
        PostedAt $at,
    ): void {
        $standing = self::movable($credit->document_id);
        $changed = $standing->filter(
            static fn (AllocationRecord $allocation): bool => ! isset($wanted[$allocation->charge->label])
                || ! $wanted[$allocation->charge->label]->equals($allocation->amount),
        );

        if ($changed->isNotEmpty() && trim($setting->reason) === '') {
            throw Refused::because('reason_missing', 'Say why it is moved: the reason is kept.');
        }

        $this->ledger->takeBack($account, $changed, $setting);
        // A discount goes with the allocation that earned it.
        $this->discounts->handle(
            $account,
            $credit->document_id,
            Money::sum($changed->pluck('discount'), $this->house->currency()),
            $credit->document_id,
            $setting,
            $at,
        );
        $fresh = array_diff_key($wanted, $standing->diff($changed)->keyBy('charge.label')->all());
        $items = AccountItems::open($account->customer_id, ItemKind::Charge, $this->house, $setting->day);
        $left = OpenItemRecord::query()->findOrFail($credit->document_id)->open;
        $spread = $items->withoutDiscounts()->spread($left, $fresh);
        $this->ledger->allocate($account, $credit->document_id, $items->parts($spread), $setting);
    }

    /**
     * What a credit is set against now: set and not taken back. What it gave up of a discount stays given up.
     *
     * @return Collection<int, AllocationRecord>
     */
    public static function standing(int $credit): Collection
    {
        return AllocationRecord::query()
            ->with('charge')
            ->where('credit_id', $credit)
            ->whereNull('takes_back_id')
            ->whereNotIn(
                'charge_id',
                DB::table('open_items')->where('purpose', Purpose::DiscountTakenBack->value)->select('document_id'),
            )
            ->whereNotIn(
                'id',
                DB::table('allocations')
                    ->where('credit_id', $credit)
                    ->whereNotNull('takes_back_id')
                    ->select('takes_back_id'),
            )
            ->orderBy('id')
            ->get();
    }

    /**
     * What of it may be set against something else: not what of this credit was paid out, taken back or moved to
     * another account. What it pays of another payment that came back is a debt as any.
     *
     * @return Collection<int, AllocationRecord>
     */
    public static function movable(int $credit): Collection
    {
        $usedUp = Document::query()
            ->where('refers_to_id', $credit)
            ->whereIn('purpose', Purpose::usingCreditUp())
            ->pluck('id');

        return self::standing($credit)->whereNotIn('charge_id', $usedUp)->values();
    }
}
