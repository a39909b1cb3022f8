<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/**
 * What goes back by which ways, held against what came in by each. Several cards, and several gift cards, share what
 * goes back by what each brought. What goes by another money way than it came needs approval with its reason: a card
 * that was closed, a terminal that fails.
 */
final readonly class Plan
{
    /**
     * @param  array<string, Money>  $ways by way, single cards by their authorisation
     * @param  array<string, Money>  $other what of it did not come in that way
     */
    private function __construct(public array $ways, public array $other)
    {
    }

    /**
     * @param  array<string, Money>  $wanted by tender kind
     * @param  array<string, Money>  $brought by way, what can still go back by it
     * @param  list<TenderKind>  $anyway kinds that may carry any of it
     *
     * @throws Refused not_that_way, bad_amount
     */
    public static function of(array $wanted, array $brought, Currency $currency, array $anyway = []): self
    {
        [$ways, $other] = [[], []];

        foreach ($wanted as $name => $amount) {
            $kind = TenderKind::from($name);
            $amount->isNegative() && throw Refused::because('bad_amount', 'Type what goes back without a minus sign.');

            if (in_array($kind, $anyway, true)) {
                $ways = Brought::plus($ways, [$name => $amount]);

                continue;
            }

            $own = array_filter(
                $brought,
                static fn (string $way): bool => Way::read($way)?->kind === $kind,
                ARRAY_FILTER_USE_KEY,
            );
            $shared = AsItCame::share($amount, $own);
            $beyond = $amount->minus(Money::sum($shared, $currency));
            $ways = Brought::plus($ways, $shared);

            if ($beyond->isPositive()) {
                $isAnother = in_array($kind, [TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer], true);
                $isAnother || throw self::notThatWay($kind, Money::sum($own, $currency));
                $ways = Brought::plus($ways, [$name => $beyond]);
                $other[$name] = $beyond;
            }
        }

        $plan = new self(array_filter($ways, static fn (Money $one): bool => $one->isPositive()), $other);
        $plan->assertCameIn($brought, $currency);

        return $plan;
    }

    /**
     * As it came, all of it.
     *
     * @param  array<string, Money>  $brought
     * @return array<string, Money> by tender kind
     */
    public static function proposed(Money $amount, array $brought): array
    {
        $kinds = [];

        foreach (AsItCame::share($amount, $brought) as $way => $share) {
            $kind = Way::read($way)->kind->value ?? '';
            $kinds = Brought::plus($kinds, [$kind => $share]);
        }

        return $kinds;
    }

    /**
     * What goes by another way than it came was money when it came in.
     *
     * @param  array<string, Money>  $brought
     */
    private function assertCameIn(array $brought, Currency $currency): void
    {
        $money = static fn (array $ways): Money => Money::sum(
            array_filter(
                $ways,
                static fn (string|int $way): bool => Way::read($way)?->isMoney() === true,
                ARRAY_FILTER_USE_KEY,
            ),
            $currency,
        );

        if ($this->other !== [] && $money($this->ways)->exceeds($money($brought))) {
            throw self::notThatWay(
                TenderKind::from((string) array_key_first($this->other)),
                Money::sum(
                    array_filter(
                        $brought,
                        fn (string|int $way): bool => (string) $way === (string) array_key_first($this->other),
                        ARRAY_FILTER_USE_KEY,
                    ),
                    $currency,
                ),
            );
        }
    }

    private static function notThatWay(TenderKind $kind, Money $most): Refused
    {
        return Refused::because(
            'not_that_way',
            'By '
                .mb_strtolower($kind->label())
                .' at most '
                .Show::money($most)
                .' can go back: that is what came in by it.',
        );
    }

    /** @return list<Need> what goes by another way than it came */
    public function needs(Limits $limits, string $place): array
    {
        $needs = [];

        foreach ($this->other as $way => $amount) {
            $how = mb_strtolower(TenderKind::from((string) $way)->label());
            $scope = Scope::of(ApprovalKind::OtherWay)->naming('way', (string) $way)->upTo('amount', $amount);
            $needs[] = new Need(
                $place,
                $scope,
                Refused::because(
                    'other_way',
                    Show::money($amount)
                        ." would go back by {$how}, though it did not come in that way. {$limits->whoMayApprove(
                            LimitMatter::OutsidePolicy,
                            $amount,
                        )}",
                ),
                Show::money($amount)." by {$how}, though it did not come in that way",
                LimitMatter::OutsidePolicy,
                $amount,
            );
        }

        return $needs;
    }

    /** @return array<string, Money> what goes to each card, by authorisation */
    public function cards(): array
    {
        return array_combine(
            array_map(strval(...), array_keys(Way::among($this->ways, TenderKind::Card))),
            Way::among($this->ways, TenderKind::Card),
        );
    }

    /** @return array<int, Money> what goes onto each gift card, by its id */
    public function giftCards(): array
    {
        $ways = Way::among($this->ways, TenderKind::GiftCard);

        return array_combine(array_map(intval(...), array_keys($ways)), $ways);
    }

    /** @return list<GoingOut> for the gate */
    public function going(string $original, ?LimitMatter $matter = null, ?Money $before = null): array
    {
        return array_values(
            array_map(
                static fn (string|int $way, Money $amount): GoingOut => new GoingOut(
                    Way::read($way)->kind ?? TenderKind::Cash,
                    $amount,
                    $original,
                    $before,
                    $matter,
                ),
                array_keys($this->ways),
                $this->ways,
            ),
        );
    }
}
