<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use DateTimeImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** An invoice or charge not fully settled, or a payment or credit not fully used. */
final readonly class OpenItem
{
    /**
     * @param  Money  $open what is still open, never below zero, whichever way the item points
     * @param  Money  $discount the settlement discount that would be given if it were paid in full now
     */
    private function __construct(
        public string $id,
        public ItemKind $kind,
        public DateTimeImmutable $date,
        public DateTimeImmutable $due,
        public Money $open,
        public Money $discount,
        public bool $isFinanceCharge,
    ) {
    }

    /** @throws Refused bad_amount when what is open is below zero */
    public static function charge(
        string $id,
        DateTimeImmutable $date,
        DateTimeImmutable $due,
        Money $open,
        ?Money $discount = null,
        bool $financeCharge = false,
    ): self {
        return new self(
            $id,
            ItemKind::Charge,
            $date,
            $due,
            self::notBelowZero($open),
            $discount ?? Money::zero($open->currency),
            $financeCharge,
        );
    }

    /** @throws Refused bad_amount when what is open is below zero */
    public static function credit(string $id, DateTimeImmutable $date, Money $open): self
    {
        return new self(
            $id,
            ItemKind::Credit,
            $date,
            $date,
            self::notBelowZero($open),
            Money::zero($open->currency),
            false,
        );
    }

    public function daysLate(DateTimeImmutable $asOf): int
    {
        return max(0, Days::between($this->due, $asOf));
    }

    /**
     * Oldest due first, then oldest date, then lowest number.
     *
     * @param  list<self>  $items
     * @return list<self>
     */
    public static function oldestFirst(array $items): array
    {
        usort($items, self::compare(...));

        return $items;
    }

    /**
     * Charges as they stand when unused credit has met them, the oldest first.
     *
     * @param  list<self>  $items charges and credits
     * @return list<self> charges of which something is still open, the oldest first
     */
    public static function afterCredits(array $items): array
    {
        [$credits, $charges] = [[], []];

        foreach (self::oldestFirst($items) as $item) {
            $item->kind === ItemKind::Credit ? $credits[] = $item->open : $charges[] = $item;
        }

        $after = [];

        foreach ($charges as $charge) {
            $open = $charge->open;

            while ($credits !== [] && $open->isPositive()) {
                $met = Money::min($open, $credits[0]);
                $open = $open->minus($met);
                $credits[0] = $credits[0]->minus($met);

                if ($credits[0]->isZero()) {
                    array_shift($credits);
                }
            }

            if ($open->isPositive()) {
                $after[] = $charge->with($open);
            }
        }

        return $after;
    }

    private function with(Money $open): self
    {
        return new self(
            $this->id, $this->kind, $this->date, $this->due, $open, $this->discount, $this->isFinanceCharge,
        );
    }

    private static function compare(self $one, self $other): int
    {
        $byDate = [$one->due->format('Y-m-d'), $one->date->format('Y-m-d')] <=> [
            $other->due->format('Y-m-d'),
            $other->date->format('Y-m-d'),
        ];

        return $byDate === 0 ? strnatcmp($one->id, $other->id) : $byDate;
    }

    private static function notBelowZero(Money $open): Money
    {
        return $open->isNegative()
            ? throw Refused::because('bad_amount', 'What is open on an item cannot be below zero.')
            : $open;
    }
}
