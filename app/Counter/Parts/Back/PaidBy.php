<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\MoneySource;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Returns\CreditSources;
use Elmstone\Returns\OriginMoney;
use Elmstone\Returns\Source;
use Elmstone\Shop\House;

/** How the originals of what comes back on a slip were paid, and so by which ways its money may go. */
final readonly class PaidBy
{
    public OriginMoney $money;

    public function __construct(private Slip $slip, private House $house)
    {
        $this->money = OriginMoney::of(
            $house,
            $slip->returns
                ->pluck('origin_document_id')
                ->filter()
                ->unique()
                ->map(static fn (mixed $id): int => is_int($id) ? $id : 0)
                ->all(),
            $slip->credit_note_id,
            $slip->exists ? $slip->cardSubject() : null,
        );
    }

    /** What goes back, by where it comes from, when fee and goods taken along are paid with it. */
    public function sources(ReckonedReturn $back, Money $exchanged): CreditSources
    {
        $anyway = [TenderKind::GiftCard->value => null];

        if ($this->slip->customer_id !== null) {
            $anyway[TenderKind::StoreCredit->value] = null;
        }

        if ($this->slip->account !== null) {
            $anyway[TenderKind::HouseAccount->value] = null;
        }

        [$blind, $paid, $charged] = [[], [], []];

        foreach ($this->values($back) as $document => $value) {
            if ($document === 0) {
                $blind[] = new MoneySource(
                    Source::blind()->key(),
                    $value,
                    [...$anyway, TenderKind::Cash->value => null],
                );
            } else {
                [$paid[], $charged[]] = $this->money->sources(
                    $document,
                    $value,
                    $anyway,
                    array_keys($this->slip->back_other ?? []),
                );
            }
        }

        $feeLine = $back->feeLine();

        return CreditSources::after(
            [...$blind, ...$paid, ...$charged],
            array_filter(
                [
                    ReckonedReturn::FEE => $feeLine->total ?? $this->house->money(0),
                    TenderKind::Exchange->value => $exchanged,
                ],
                static fn (Money $used): bool => $used->isPositive(),
            ),
        );
    }

    /** @return array<int, Money> what comes back, tax in it, by original; 0: without one */
    private function values(ReckonedReturn $back): array
    {
        $values = [];

        foreach ($this->slip->returns as $line) {
            $document = $line->origin_document_id ?? 0;
            $values[$document] = ($values[$document] ?? $this->house->money(0))->plus($back->line($line)->total);
        }

        foreach ($back->surcharges->values($back->surchargeLines()) as $document => $value) {
            $values[$document] = ($values[$document] ?? $this->house->money(0))->plus($value);
        }

        ksort($values);

        return array_filter($values, static fn (Money $value): bool => $value->isPositive());
    }
}
