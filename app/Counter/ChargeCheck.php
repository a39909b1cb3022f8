<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ChargeDecision;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Core\Receivables\Standing;
use Elmstone\Receivables\ChargeWords;

/** Whether a slip may be charged to its customer's account as things stand, what somebody approved taken into account. */
final readonly class ChargeCheck
{
    private function __construct(private Slip $slip, public Money $amount, public ChargeDecision $decision)
    {
    }

    public static function of(Slip $slip, Money $amount): self
    {
        $authorised = $slip->contact === null || $slip->contact->mayBuyFor($amount->minor);

        return new self($slip, $amount, $slip->account?->standing->charge($amount, $slip->purchase_order, $authorised) ?? Standing::withoutAccount($amount));
    }

    /** @return list<ChargeReason> what nobody has approved yet */
    public function open(): array
    {
        $approved = explode(',', $this->slip->charge_approved_for);

        return array_values(array_filter($this->decision->reasons, fn (ChargeReason $reason): bool => $reason->refuses()
            || ! in_array($reason->value, $approved, true)
            || ($reason === ChargeReason::OverLimit && ($this->decision->overBy->minor ?? 0) > $this->slip->charge_approved_over)));
    }

    public function isApproved(): bool
    {
        return $this->open() === [] && ! $this->decision->isAllowed();
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        return array_map(fn (ChargeReason $reason): Refused => Refused::because($reason->value, $this->say($reason)), $this->open());
    }

    public function say(ChargeReason $reason): string
    {
        return ChargeWords::for($reason, $this->decision, $this->slip->account, $this->slip->contact);
    }
}
