<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Staff\Staff;

/** The reports there are. */
final readonly class AllReports
{
    private const ALL = [
        Definitions\Sales::class, Definitions\ReturnsByReason::class, Definitions\Customers::class,
        Definitions\BestSellers::class, Definitions\StockValue::class, Definitions\HandMadePrices::class,
        Definitions\ApprovalsGiven::class, Definitions\Tax::class, Definitions\HeldRolledForward::class,
        Definitions\Receivables::class,
    ];

    /** @return list<Definition> those somebody may ask for */
    public static function of(Staff $person): array
    {
        return array_values(array_filter(
            array_map(static fn (string $class): Definition => app($class), self::ALL),
            static fn (Definition $one): bool => $person->mayDo($one->ability()),
        ));
    }

    public static function find(string $key): ?Definition
    {
        foreach (self::ALL as $class) {
            $one = app($class);

            if ($one->key() === $key) {
                return $one;
            }
        }

        return null;
    }
}
