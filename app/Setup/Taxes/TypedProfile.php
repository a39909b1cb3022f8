<?php

declare(strict_types=1);

namespace Elmstone\Setup\Taxes;

use Elmstone\Shop\TaxComponentRecord;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Shop\TaxRate;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/**
 * The taxes of a place as they are typed on the page of taxes, and in the file a shop is installed from:
 * name; components, each with name, rate in percent, the classes that bear it, whether it is reckoned on top of those
 * before it, and changes, each a rate from a day on.
 */
final class TypedProfile
{
    /** @return array<string, mixed> */
    public static function of(TaxProfileRecord $profile): array
    {
        return [
            'id' => (string) $profile->id,
            'name' => $profile->name,
            'components' => array_values($profile->components->map(self::component(...))->all()),
        ];
    }

    /** @return array<string, mixed> */
    private static function component(TaxComponentRecord $component): array
    {
        $today = ShopTime::today();
        $rate = $component->rateOn($today);

        return [
            'id' => (string) $component->id,
            'code' => $component->code,
            'name' => $component->name,
            'rate' => $rate === null ? '' : Show::price($rate->value),
            'classes' => $component->classes,
            'on_top' => $component->on_top_of === [] ? '' : '1',
            'changes' => array_values(
                $component->rates
                    ->filter(static fn (TaxRate $rate): bool => $rate->from_date->greaterThan($today))
                    ->map(static fn (TaxRate $rate): array => [
                        'id' => (string) $rate->id,
                        'rate' => $rate->rate === null ? KeepProfile::NOT_LEVIED : Show::price($rate->rate->value),
                        'from' => $rate->from_date->format('Y-m-d'),
                    ])
                    ->all(),
            ),
        ];
    }
}
