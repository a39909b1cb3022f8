<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\SlipPromise;
use Elmstone\Quotes\GiveQuote;
use Elmstone\Quotes\NewQuote;
use Elmstone\Shop\House;

/** A slip that is to become a quote: what the quote says, and what still hinders it. */
final readonly class QuoteDraft
{
    private function __construct(
        private ReckonedCounter $reckoned,
        public SlipPromise $promise,
        private House $house,
    ) {
    }

    /** Null where the slip is not to become a quote. */
    public static function of(ReckonedCounter $reckoned, House $house): ?self
    {
        $promise = $reckoned->slip->becomes === Becomes::Quote ? $reckoned->slip->promise : null;

        return $promise === null ? null : new self($reckoned, $promise, $house);
    }

    public function newQuote(): NewQuote
    {
        $slip = $this->reckoned->slip;

        return new NewQuote(
            $slip->key,
            $slip->location_id,
            $slip->customer_id,
            $slip->staff_id,
            $slip->day(),
            AgreedFromSlip::lines($this->reckoned),
            AgreedFromSlip::tax($this->reckoned, $this->house),
            $slip->discount(),
            $this->reckoned->sums->total,
            $this->promise->valid_until ?? $slip->day(),
            $this->promise->follow_up_on,
            $slip->customer === null ? $this->promise->party : '',
            $this->promise->note,
            $slip->contact->name ?? '',
            $slip->purchase_order,
            $slip->job,
            $slip->quote_id,
        );
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        try {
            GiveQuote::assertFine($this->newQuote());
        } catch (Refused $refused) {
            return [$refused];
        }

        return $this->reckoned->slip->charge === null ? [] : [
            Refused::because('charge_with_hold', 'A quote is not charged. Take the charge out.'),
        ];
    }
}
