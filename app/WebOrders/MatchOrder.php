<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\PriceTerms;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/** Holds an order that was sent against what the shop knows: whom it is for, goods, prices, freight, the day. */
final readonly class MatchOrder
{
    public function __construct(private MatchItems $items, private OrderTerms $terms, private House $house)
    {
    }

    public function of(IncomingOrder $incoming, Sender $sender, ?Decisions $decisions = null): Matched
    {
        $decisions ??= new Decisions;
        $customer = $this->customer($incoming, $sender, $decisions);
        $isOther = $customer !== null && $sender->customer_id !== null && $customer->id !== $sender->customer_id;
        $problems = [
            ...$this->currency($incoming),
            ...$customer === null ? [self::unknownBuyer($incoming, $decisions)] : [],
            ...$isOther ? [Problem::of(
                ProblemKind::Buyer, "{$sender->name} orders for itself only, and names {$customer->name}.",
            )] : [],
        ];
        [$lines, $found] = $this->items->of(
            $incoming,
            $customer?->priceTerms() ?? PriceTerms::nobodys(),
            $decisions,
        );
        $way = $incoming->deliverTo === '' ? OrderWay::Collect : $sender->way;
        [$freight, $wrongFreight] = $this->freight($incoming, $lines, $way, $decisions);
        [$day, $wrongDay] = $this->day($incoming, $decisions);

        return new Matched($incoming, $customer, $lines, $way, $freight, $day, [
            ...$problems, ...$found, ...$this->sum($incoming, $decisions), ...$this->allowance($incoming, $decisions),
            ...$wrongFreight, ...$wrongDay,
        ]);
    }

    /** Whom they name, or who they are. */
    private function customer(IncomingOrder $incoming, Sender $sender, Decisions $decisions): ?Customer
    {
        $number = $decisions->customer
            ?? (preg_match('/^\d{1,9}$/D', $incoming->buyerNumber) === 1 ? (int) $incoming->buyerNumber : null);
        $isSelf = $sender->customer_id !== null && $decisions->customer === null && $incoming->buyerNumber === '';
        $customer = Customer::query()
            ->with(['type.priceLevel', 'mergedInto.type.priceLevel'])
            ->where($isSelf ? 'id' : 'number', $isSelf ? $sender->customer_id : $number)
            ->first();

        return $customer?->isMerged() === true ? $customer->mergedInto : $customer;
    }

    private static function unknownBuyer(IncomingOrder $incoming, Decisions $decisions): Problem
    {
        return Problem::of(ProblemKind::Buyer, match (true) {
            $decisions->customer !== null => "There is no customer {$decisions->customer}.",
            $incoming->buyerNumber === '' => 'They do not say by our number who buys.',
            default => "There is no customer “{$incoming->buyerNumber}”.",
        });
    }

    /** @return list<Problem> */
    private function currency(IncomingOrder $incoming): array
    {
        $ours = $this->house->currency()->code;

        return in_array($incoming->currency, ['', $ours], true) ? [] : [Problem::of(
            ProblemKind::Currency,
            "It is in {$incoming->currency}, and the shop sells in {$ours}. It can only be refused.",
        )];
    }

    /** @return list<Problem> */
    private function sum(IncomingOrder $incoming, Decisions $decisions): array
    {
        $amounts = [];

        foreach ($incoming->lines as $line) {
            $amount = $line->amount($this->house->currency());
            $amount === null || ($amounts[] = $amount);
        }

        if ($incoming->sum === null || $decisions->anySum || count($amounts) < count($incoming->lines)) {
            return [];
        }

        $sum = Money::sum($amounts, $this->house->currency());
        $said = Money::round($incoming->sum, $this->house->currency());

        return $sum->equals($said) ? [] : [Problem::of(
            ProblemKind::Sum,
            'Their lines come to '.Show::money($sum).', but they say '.Show::money($said)
                .'. Something may be missing.',
        )];
    }

    /** @return list<Problem> */
    private function allowance(IncomingOrder $incoming, Decisions $decisions): array
    {
        return $incoming->allowance === null || $decisions->withoutAllowance || ! $incoming->allowance->isPositive()
            ? []
            : [Problem::of(
                ProblemKind::Allowance,
                'They take '.Show::money(Money::round($incoming->allowance, $this->house->currency()))
                    .' off the whole, which nobody here has agreed to.',
            )];
    }

    /**
     * @param  array<int, MatchedLine>  $lines
     * @return array{Money|null, list<Problem>}
     */
    private function freight(IncomingOrder $incoming, array $lines, OrderWay $way, Decisions $decisions): array
    {
        $said = $incoming->charge === null ? null : Money::round($incoming->charge, $this->house->currency());
        $ours = $way->isBrought() ? $this->terms->freight($way)?->of(
            self::weight($lines),
            Money::sum(
                array_map(static fn (MatchedLine $line): Money => $line->amount(), $lines),
                $this->house->currency(),
            ),
        ) : null;
        $isSame = $said === null || ($ours === null ? ! $said->isPositive() : $said->equals($ours));

        if ($decisions->theirFreight === true && $said !== null) {
            return [$said->isPositive() && $way->isBrought() ? $said : null, []];
        }

        $charge = $ours?->isPositive() === true ? $ours : null;

        return [$charge, $isSame || $decisions->theirFreight === false ? [] : [Problem::of(
            ProblemKind::Freight,
            'They reckon '.Show::money($said).' for bringing it, our table says '
                .($ours === null ? 'nothing' : Show::money($ours)).'.',
        )]];
    }

    /** @param  array<int, MatchedLine>  $lines */
    private static function weight(array $lines): BigDecimal
    {
        return array_reduce(
            $lines,
            static fn (BigDecimal $sum, MatchedLine $line): BigDecimal => $sum->plus(
                $line->quantity->value->multipliedBy($line->item->weight),
            ),
            BigDecimal::zero(),
        );
    }

    /** @return array{CarbonImmutable|null, list<Problem>} */
    private function day(IncomingOrder $incoming, Decisions $decisions): array
    {
        $day = $decisions->anyDay ? $decisions->wantedOn : $decisions->wantedOn ?? $incoming->wantedOn;

        try {
            $day === null || $this->terms->assertMayBeWanted($day, ShopTime::today());

            return [$day, []];
        } catch (Refused $refused) {
            return [null, [Problem::of(ProblemKind::Day, $refused->getMessage())]];
        }
    }
}
