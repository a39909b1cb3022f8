<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** Posts the payments of a bank's file that were looked at and chosen, each on its day: all of them, or none. */
final class PostBankFile
{
    public function __construct(
        private readonly TakePayment $take,
        private readonly Ledger $ledger,
    ) {
    }

    /**
     * @param  list<int>  $chosen entries
     * @return Collection<int, BankEntry> what was posted
     *
     * @throws Refused nothing_chosen, cannot_post
     */
    public function handle(BankFile $file, array $chosen, Till $till, Staff $by): Collection
    {
        return DB::transaction(function () use ($file, $chosen, $till, $by): Collection {
            $entries = BankEntry::query()
                ->where('bank_file_id', $file->id)
                ->whereIn('id', $chosen)
                ->where('state', 'open')
                ->where('kind', BankEntryKind::In)
                ->whereNotNull('customer_id')
                ->orderBy('position')
                ->lockForUpdate()
                ->get();

            if ($entries->isEmpty()) {
                throw Refused::because('nothing_chosen', 'Choose the payments to post; each needs an account.');
            }

            $accounts = $this->ledger->lockAll(
                array_values(
                    array_unique($entries->map(static fn (BankEntry $entry): int => (int) $entry->customer_id)->all()),
                ),
            );

            foreach ($entries as $entry) {
                $account = $accounts->get((int) $entry->customer_id)
                    ?? throw Refused::because(
                        'cannot_post',
                        "Payment {$entry->position}: there is no house account. Nothing was posted.",
                    );
                $entry
                    ->forceFill(['state' => 'posted', 'document_id' => $this->post($entry, $account, $till, $by)])
                    ->save();
            }

            $file->settle();

            return $entries;
        }, 3);
    }

    private function post(BankEntry $entry, HouseAccount $account, Till $till, Staff $by): int
    {
        try {
            $receipt = $this->take->on(
                $account,
                $this->order($entry, BankDay::of($entry->booked_on, $till->location)),
                $till,
                $by,
            );
            $this->assertDiscount($entry, $receipt);
        } catch (Refused $refused) {
            throw Refused::because(
                'cannot_post',
                "Payment {$entry->position} over {$entry->amount->toString()}: {$refused->getMessage()} "
                    .'Nothing was posted.',
            );
        }

        return $receipt;
    }

    /** What the page promised is given, or nothing is posted. */
    private function assertDiscount(BankEntry $entry, int $receipt): void
    {
        $given = Document::query()->findOrFail($receipt)->settlement_discount;
        $given->equals($entry->discount)
            || $entry->shares === null
            || throw Refused::because(
                'discount_lost',
                'the settlement discount is not what it was when this was matched. Open the payment and spread it '
                    .'anew.',
            );
    }

    private function order(BankEntry $entry, CarbonImmutable $day): PaymentOrder
    {
        return new PaymentOrder(
            (int) $entry->customer_id,
            $entry->amount,
            TenderKind::BankTransfer,
            mb_substr($entry->reference, 0, 60),
            $day,
            Uuid::uuid5(Uuid::NAMESPACE_OID, "bank-{$entry->fingerprint}")->toString(),
            $entry->shares,
            // The same words on two transfers are two transfers: the bank booked both.
            true,
            "booked by the bank on {$entry->booked_on?->format('Y-m-d')}",
        );
    }
}
