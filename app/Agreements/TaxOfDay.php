<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Customers\Customer;
use Elmstone\Shop\Location;

/** What a customer need not pay at a place on a day. */
final class TaxOfDay
{
    /** @return Exempted|null null: they pay everything */
    public static function exempted(Customer $customer, Location $location, CarbonImmutable $day): ?Exempted
    {
        return $customer->isExemptOn($day)
            ? new Exempted(
                $customer->certificate ?? '',
                $customer->certificate_expires?->format('Y-m-d') ?? '',
                $customer->exempt ?? [],
                self::components($location, $day),
            )
            : null;
    }

    /** @return list<TaxComponent> */
    public static function components(Location $location, CarbonImmutable $day): array
    {
        return $location->taxProfile->leviedOn($day);
    }

    /** @return array<string, string> by component */
    public static function names(Location $location): array
    {
        return $location->taxProfile->names();
    }
}
