<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\MoneyOut\Gate;
use Elmstone\Receivables\Accounts\ChargeWords;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** A charge beyond what the account allows, and what is handed out beyond what somebody may. */
final class MoneyNeeds extends NeedsOf
{
    public function all(): array
    {
        return [...$this->ofCharge(), ...$this->ofMoneyOut()];
    }

    /** @return list<Need> a charge beyond what the account allows */
    private function ofCharge(): array
    {
        $check = $this->reckoned->charge();

        if ($check === null || $check->decision->isAllowed() || $check->decision->isRefused()) {
            return [];
        }

        $words = implode(
            ', ',
            array_map(
                fn ($reason): string => ChargeWords::short($reason, $check->decision, $this->slip->account),
                $check->decision->reasons,
            ),
        );

        return [
            new Need(
                'charge',
                $check->scope(),
                $check->refused()[0],
                "{$this->slip->customer_name}, ".Show::money($check->amount)." charged: {$words}",
                LimitMatter::Charge,
                Money::max($check->decision->overBy ?? $check->amount, $check->amount),
            ),
        ];
    }

    /** @return list<Need> what is handed out beyond what somebody may, and cash for goods without a receipt */
    private function ofMoneyOut(): array
    {
        $ways = $this->reckoned->refund;

        if ($ways === null || (! $this->reckoned->isRefund() && $this->slip->void_of_id === null)) {
            return [];
        }

        $needs = $this->slip->void_of_id === null
                ? app(Gate::class)->needs($this->by(), $this->slip->day(), $ways->leaving()->going(), 'refund')
                : [$this->void()];
        $blind = $ways->leaving()->blindCash();

        if ($blind->isPositive()) {
            $scope = Scope::of(ApprovalKind::BlindCash)->naming('way', TenderKind::Cash->value)->upTo('amount', $blind);
            $needs[] = new Need(
                'refund',
                $scope,
                Refused::because(
                    'blind_cash',
                    'Cash for goods without a receipt. '
                        .$this->limits->whoMayApprove(LimitMatter::WithoutOriginal, $blind),
                ),
                Show::money($blind).' in cash for goods without a receipt',
                LimitMatter::WithoutOriginal,
                $blind,
            );
        }

        foreach ($ways->leaving()->otherWays() as $way => $amount) {
            $scope = Scope::of(ApprovalKind::OtherWay)->naming('way', $way)->upTo('amount', $amount);
            $needs[] = new Need(
                'refund',
                $scope,
                Refused::because(
                    'other_way',
                    Show::money($amount)
                        ." goes back {$ways->words($way)}, though it did not come in that way. "
                        .$this->limits->whoMayApprove(LimitMatter::OutsidePolicy, $amount),
                ),
                Show::money($amount)." {$ways->words($way)}, though it did not come in that way",
                LimitMatter::OutsidePolicy,
                $amount,
            );
        }

        return $needs;
    }

    private function void(): Need
    {
        $value = $this->reckoned->back?->value() ?? $this->house->money(0);
        $scope = Scope::of(ApprovalKind::Void)->naming('invoice', $this->slip->void_of_id)->upTo('money', $value);

        return new Need(
            'refund',
            $scope,
            Refused::because(
                'void',
                "A sale is taken back whole. {$this->limits->whoMayApprove(LimitMatter::Void, $value)}",
            ),
            Show::money($value).' taken back whole, posted by mistake',
            LimitMatter::Void,
            $value,
        );
    }
}
