<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Brick\Math\BigInteger;
use Elmstone\Books\DocumentTender;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;

/**
 * By which ways the money of a layaway came in, and so by which it may go back, at most what came in by each. A deposit that was used is a deposit again.
 */
final readonly class WaysBack
{
    /**
     * @param  array<string, int>  $most minor units by tender kind
     * @param  array<string, DocumentTender>  $cards the payments by card, by authorisation
     */
    private function __construct(public array $most, public array $cards)
    {
    }

    /** @param  Layaway  $layaway with its entries' documents and their tenders */
    public static function of(Layaway $layaway, House $house): self
    {
        $most = [];
        $cards = [];

        foreach ($layaway->entries as $entry) {
            $tenders = $entry->document->tenders;

            if (! in_array($entry->kind, [EntryKind::Paid, EntryKind::Back, EntryKind::Returned], true) || $tenders->isEmpty()) {
                continue;
            }

            $weights = array_values($tenders->map(static fn (DocumentTender $tender): BigInteger => BigInteger::of($tender->amount))->all());
            $shares = $house->money($entry->amount)->apportion($weights === [] ? [BigInteger::one()] : $weights);

            foreach ($tenders->values() as $i => $tender) {
                $most[$tender->kind->value] = ($most[$tender->kind->value] ?? 0) + $shares[$i]->minor;

                if ($tender->kind === TenderKind::Card && $entry->kind === EntryKind::Paid) {
                    $cards[$tender->authorisation] = $tender;
                }
            }
        }

        return new self(array_filter($most, static fn (int $amount): bool => $amount > 0), $cards);
    }

    /**
     * What would go back by which way if nobody says otherwise: cards first, then cheques and transfers, cash last; what is left is kept as a deposit.
     *
     * @return array<string, int> minor units by tender kind
     */
    public function proposed(Money $refund): array
    {
        $left = $refund->minor;
        $parts = [];

        foreach ([TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::Cash] as $kind) {
            $part = min($left, $this->most[$kind->value] ?? 0);
            $left -= $part;
            $parts[$kind->value] = $part;
        }

        return array_filter([...$parts, TenderKind::DepositHeld->value => $left], static fn (int $part): bool => $part > 0);
    }
}
