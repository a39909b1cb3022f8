<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipSignature;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** Who pays much by card or on account signs for exactly that: another sum is signed for again. */
final readonly class PayerSigns
{
    /** What is signed for. Common practice, no source: what is paid with a promise, not with money or a cheque. */
    private const BY = [TenderKind::Card, TenderKind::HouseAccount];

    /** What they sign for; null: nothing is to be signed. */
    public ?Money $amount;

    /** Null: they have signed nothing, or for another sum. */
    public ?SlipSignature $signed;

    private function __construct(private Slip $slip, ReckonedCounter $reckoned, ?Money $over)
    {
        $signedFor = Money::sum(
            array_map(
                static fn (Tender $tender): Money => $tender->amount,
                array_filter(
                    $reckoned->isRefund() ? [] : $reckoned->tenders(),
                    static fn (Tender $tender): bool => in_array($tender->kind, self::BY, true),
                ),
            ),
            $reckoned->sums->total->currency,
        );
        $this->amount = $over !== null && $signedFor->exceeds($over) ? $signedFor : null;
        $signed = $this->amount === null || ! $slip->exists ? null : SlipSignature::query()->find($slip->id);
        $this->signed = $signed !== null && $this->amount?->equals($signed->amount) === true ? $signed : null;
    }

    public static function of(Slip $slip, ReckonedCounter $reckoned, House $house): self
    {
        return new self($slip, $reckoned, $slip->void_of_id === null && ! $slip->till->online
            ? $house->shop()->sign_over : null);
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        return $this->amount === null || $this->signed !== null || $this->slip->isDone() ? [] : [Refused::because(
            'signature_missing',
            'Who pays signs for '.Show::money($this->amount).': here, on their side, or on the paper.',
        )];
    }
}
