<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Settlement\Surcharge;

/** "surcharge": what is added where a card of this kind pays, and what it is asked for. */
final readonly class SurchargeAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'card', 'amount', 'rules');
        $currency = $request->currency();
        $card = $request->string('card');
        $amount = $request->money('amount', $currency);
        $rules = [];

        foreach ($request->children('rules') as $rule) {
            $rule->only('card', 'percent', 'cap');
            $kind = $rule->string('card');
            isset($rules[$kind]) && throw new BadRequest(
                'rule_twice',
                "There is a rule for “{$kind}” already.",
                $rule->at('card'),
            );
            $rules[$kind] = self::rule($rule, $currency);
        }

        $surcharge = $request->checked(
            'amount',
            static fn (): Money => ($rules[$card] ?? new Surcharge(Percentage::of('0')))->on($amount),
        );

        return ['surcharge' => $surcharge->toString(), 'to_ask' => $amount->plus($surcharge)->toString()];
    }

    private static function rule(Node $rule, Currency $currency): Surcharge
    {
        $percent = $rule->read('percent', Percentage::ofWhole(...));
        $cap = $rule->has('cap') ? $rule->money('cap', $currency) : null;

        return $rule->checked('cap', static fn (): Surcharge => new Surcharge($percent, $cap));
    }
}
