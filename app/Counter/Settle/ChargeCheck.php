<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ChargeDecision;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Core\Receivables\Standing;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Receivables\Accounts\ChargeWords;

/** Whether a slip may be charged to its customer's account as things stand. */
final readonly class ChargeCheck
{
    private function __construct(private Slip $slip, public Money $amount, public ChargeDecision $decision)
    {
    }

    /** @param  Money|null  $credit what goes back to the account with it; null: nothing */
    public static function of(Slip $slip, Money $amount, ?Money $credit = null): self
    {
        $authorised = $slip->contact === null
                ? $slip->account?->account->buyerMustBeNamed() !== true
                : $slip->contact->mayBuyFor($amount);
        $more = $credit === null || $amount->exceeds($credit)
                ? $amount->minus($credit ?? Money::zero($amount->currency))
                : Money::zero($amount->currency);

        return new self(
            $slip,
            $amount,
            $slip->account?->standing->charge($more, $slip->purchase_order, $authorised)
                ?? Standing::withoutAccount($amount),
        );
    }

    /** The figures an approval of it covers: each reason with its own, and who buys. */
    public function scope(): Scope
    {
        $scope = Scope::of(ApprovalKind::Charge)
            ->naming('customer', $this->slip->customer_id)
            ->upTo('amount', $this->amount);

        foreach ($this->decision->reasons as $reason) {
            $scope = match ($reason) {
                ChargeReason::OverLimit => $scope->upTo('over', $this->decision->overBy ?? $this->amount),
                ChargeReason::Overdue => $scope->upTo('days_late', $this->slip->account->oldestLate ?? 0),
                ChargeReason::PurchaseOrderRequired => $scope->upTo('without_order', 1),
                ChargeReason::BuyerNotAuthorised => $scope
                    ->naming('buyer', $this->slip->contact_id ?? 'nobody')
                    ->upTo('buys', $this->amount),
                default => $scope,
            };
        }

        return $scope;
    }

    /** @return list<Refused> every reason, in words */
    public function refused(): array
    {
        return array_map(
            fn (ChargeReason $reason): Refused => Refused::because($reason->value, $this->say($reason)),
            $this->decision->reasons,
        );
    }

    /** @return list<Refused> what nobody at the counter can allow */
    public function refusals(): array
    {
        return array_values(
            array_filter(
                $this->refused(),
                static fn (Refused $refused): bool => ChargeReason::from($refused->rule)->refuses(),
            ),
        );
    }

    public function say(ChargeReason $reason): string
    {
        return ChargeWords::for($reason, $this->decision, $this->slip->account, $this->slip->contact);
    }
}
