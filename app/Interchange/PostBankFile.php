<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Receivables\Ledger;
use Elmstone\Receivables\PaymentOrder;
use Elmstone\Receivables\TakePayment;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** Posts the payments of a bank's file that were looked at and chosen: all of them, or none. */
final class PostBankFile
{
    public function __construct(private readonly TakePayment $take, private readonly Ledger $ledger, private readonly House $house)
    {
    }

    /**
     * @param  list<int>  $chosen entries
     * @return int how many receipts were posted
     *
     * @throws Refused nothing_chosen, cannot_post
     */
    public function handle(BankFile $file, array $chosen, CarbonImmutable $day, Till $till, Staff $by): int
    {
        return DB::transaction(function () use ($file, $chosen, $day, $till, $by): int {
            $entries = BankEntry::query()->where('bank_file_id', $file->id)->whereIn('id', $chosen)->where('state', 'open')->whereNotNull('customer_id')->orderBy('position')->lockForUpdate()->get();

            if ($entries->isEmpty()) {
                throw Refused::because('nothing_chosen', 'Choose the payments to post; each needs an account.');
            }

            $accounts = $this->ledger->lockAll(array_values(array_unique($entries->map(static fn (BankEntry $entry): int => (int) $entry->customer_id)->all())));

            foreach ($entries as $entry) {
                $account = $accounts->get((int) $entry->customer_id) ?? throw Refused::because('cannot_post', "Payment {$entry->position}: there is no house account. Nothing was posted.");

                try {
                    $receipt = $this->take->post($account, $this->order($entry, $day), $till, $by);
                } catch (Refused $refused) {
                    throw Refused::because('cannot_post', "Payment {$entry->position} over {$this->house->money($entry->amount)->toString()}: {$refused->getMessage()} Nothing was posted.");
                }

                $entry->forceFill(['state' => 'posted', 'document_id' => $receipt])->save();
            }

            if (! BankEntry::query()->where('bank_file_id', $file->id)->where('state', 'open')->exists()) {
                $file->forceFill(['state' => 'done'])->save();
            }

            return $entries->count();
        }, 3);
    }

    private function order(BankEntry $entry, CarbonImmutable $day): PaymentOrder
    {
        return new PaymentOrder(
            (int) $entry->customer_id,
            $this->house->money($entry->amount),
            TenderKind::BankTransfer,
            mb_substr($entry->reference, 0, 60),
            $day,
            Uuid::uuid5(Uuid::NAMESPACE_OID, "bank-{$entry->fingerprint}")->toString(),
            $entry->shares === null ? null : array_map($this->house->money(...), $entry->shares),
            // The same words on two transfers are two transfers: the bank booked both.
            true,
            "booked by the bank on {$entry->booked_on->format('Y-m-d')}",
        );
    }
}
