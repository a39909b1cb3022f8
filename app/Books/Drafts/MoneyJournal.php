<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\Accounts;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Ledger\Journal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;

/**
 * The journal of a document without goods: tenders and settlement discount against receivables and what is held, a fee
 * or a finance charge as income. docs/rules.md, "Posting".
 */
final class MoneyJournal
{
    public static function of(DocumentDraft $draft, MoneyEntry $entry): Journal
    {
        $inflow = static fn (Money $amount): Money => $entry->tendered()->isNegative() ? $amount->negated() : $amount;
        $postings = [
            [Accounts::RECEIVABLES, $entry->onAccount()],
            [Accounts::CASH_ROUNDING, $inflow($draft->cashRounding)->negated()],
        ];

        foreach ($draft->tenders as $tender) {
            $kind = $tender->tender->kind;
            $postings[] = [
                Accounts::settling($entry->purpose, $kind, $entry->tendered()->isNegative()),
                $inflow($tender->tender->amount),
            ];
        }

        $postings[] = [
            Accounts::SETTLEMENT_DISCOUNTS,
            $entry->purpose === Purpose::DiscountTakenBack
                ? $entry->settlementDiscount->negated()
                : $inflow($entry->settlementDiscount),
        ];
        $postings[] = match ($entry->purpose) {
            Purpose::CardPayout => [Accounts::CARD_FEES, $entry->fee],
            Purpose::OwnerPaid, Purpose::OwnerCredited => [Accounts::CARD_FEES, $entry->fee->negated()],
            default => [Accounts::FEES, $entry->fee->negated()],
        };

        foreach (HeldKind::cases() as $kind) {
            $postings[] = [$kind->account(), $entry->held($kind)->negated()];
        }

        if (in_array($entry->purpose, [Purpose::Plan, Purpose::PlanPart], true)) {
            $postings[] = [Accounts::PLAN_CLEARING, $entry->onAccount()->negated()];
        }

        if ($entry->purpose->isOfADrawer()) {
            $postings[] = [self::behindTheDrawer($draft, $entry), $entry->tendered()->negated()];
        }

        if (in_array($entry->purpose, [Purpose::OwnerPaid, Purpose::OwnerCredited], true)) {
            $postings[] = [Accounts::OWNERS, $entry->fee];
        }

        if ($entry->purpose === Purpose::OwnerCredited) {
            $postings[] = [Accounts::OWNERS, $entry->total];
        }

        array_push($postings, ...self::atTheBank($entry), ...self::atSuppliers($entry));

        if ($entry->purpose === Purpose::OpeningHeld) {
            $postings[] = [Accounts::OPENING, $entry->total];
        }

        if ($entry->purpose === Purpose::Reward) {
            $postings[] = [Accounts::REWARDS_GIVEN, $entry->total];
        }

        if ($entry->purpose === Purpose::FinanceCharge) {
            $postings[] = [Accounts::FINANCE_CHARGES, $entry->total->negated()];
        }

        return Journal::of($entry->total->currency, $postings);
    }

    /**
     * What goes to the bank is on its way until the bank has credited it; what it credits less or more is settled.
     *
     * @return list<array{string, Money}>
     */
    private static function atTheBank(MoneyEntry $entry): array
    {
        return match ($entry->purpose) {
            Purpose::PaidIn => [[Accounts::ON_WAY, $entry->total]],
            Purpose::CardPayout => [[Accounts::ON_WAY, $entry->total->minus($entry->fee)]],
            Purpose::CashFetched => [[Accounts::BANK, $entry->total->negated()]],
            Purpose::SafeOver => [[Accounts::OVER_SHORT, $entry->total->negated()]],
            Purpose::SafeShort => [[Accounts::OVER_SHORT, $entry->total]],
            Purpose::BankCredited => [[Accounts::ON_WAY, $entry->total->negated()]],
            Purpose::BankShort => [
                [Accounts::BANK_DIFFERENCES, $entry->total], [Accounts::ON_WAY, $entry->total->negated()],
            ],
            Purpose::BankOver => [
                [Accounts::ON_WAY, $entry->total], [Accounts::BANK_DIFFERENCES, $entry->total->negated()],
            ],
            default => [],
        };
    }

    /**
     * What came in was owed to nobody yet; the invoice says to whom, and what it is above or below.
     *
     * @return list<array{string, Money}>
     */
    private static function atSuppliers(MoneyEntry $entry): array
    {
        $amount = $entry->purpose === Purpose::SupplierUnder ? $entry->total->negated() : $entry->total;

        return in_array($entry->purpose, Purpose::ofSuppliers(), true)
            ? [
                [
                    $entry->purpose === Purpose::SupplierInvoice ? Accounts::RECEIVED : Accounts::PRICE_DIFFERENCES,
                    $amount,
                ],
                [Accounts::PAYABLES, $amount->negated()],
            ]
            : [];
    }

    /** Where what is put into a drawer comes from, and what is taken out of it goes. */
    private static function behindTheDrawer(DocumentDraft $draft, MoneyEntry $entry): string
    {
        return match (true) {
            $entry->purpose === Purpose::PettyCash => $draft->tenders[0]->reference,
            $entry->purpose === Purpose::CommissionPaid => Accounts::COMMISSIONS,
            $entry->purpose === Purpose::OwnerPaid => Accounts::OWNERS,
            ! in_array($entry->purpose, [Purpose::TillOver, Purpose::TillShort], true) => Accounts::SAFE,
            ($draft->tenders[0] ?? null)?->tender->kind === TenderKind::Card => Accounts::CARD_DIFFERENCES,
            default => Accounts::OVER_SHORT,
        };
    }
}
