<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Elmstone\Core\Money\Money;

/** Open items that sum to a payment exactly: fewest items first, then oldest. */
final readonly class Suggestion
{
    public const MOST = 5;

    /**
     * @param  list<list<string>>  $matches ids, at most five sets, the best first
     * @param  bool  $more whether it is known that others exist
     * @param  bool  $gaveUp whether there were too many ways to look at all of them
     */
    private function __construct(public array $matches, public bool $more, public bool $gaveUp)
    {
    }

    /**
     * An item counts with what it takes to pay it off: what is open less its settlement discount.
     *
     * @param  list<OpenItem>  $items charges
     */
    public static function for(Money $amount, array $items): self
    {
        $ids = [];
        $values = [];

        foreach (OpenItem::oldestFirst($items) as $item) {
            $wanted = $item->open->minus($item->discount);

            if ($wanted->isPositive() && ! $wanted->exceeds($amount)) {
                $ids[] = $item->id;
                $values[] = $wanted->minor;
            }
        }

        $search = new SubsetSearch($values, $amount->minor);
        $sets = $search->find(self::MOST + 1);
        $named = array_map(
            static fn (array $set): array => array_map(static fn (int $place): string => $ids[$place], $set),
            $sets,
        );

        return new self(array_slice($named, 0, self::MOST), count($sets) > self::MOST, ! $search->complete);
    }
}
