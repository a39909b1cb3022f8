<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Orders\OrderSource;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxClass;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** What the shop proposes for orders: deposits, freight, the fee of who cancels, days on which it is closed. */
final class TermsController
{
    /** So many steps a freight table has on the page. */
    public const STEPS = 6;

    public function __construct(private readonly OrderTerms $terms, private readonly House $house)
    {
    }

    public function show(): View
    {
        return view('orders.terms', [
            'terms' => $this->terms,
            'house' => $this->house,
            'taxClasses' => TaxClass::query()->orderBy('name')->get(),
            'steps' => self::STEPS,
        ]);
    }

    public function save(Request $request): RedirectResponse
    {
        $request->validate(
            ['rows' => ['nullable', 'array'], 'quote_days' => ['nullable', 'integer', 'between:1,365']],
            ['quote_days.*' => 'A quote holds for 1 to 365 days.'],
        );
        $terms = [
            'quote_days' => $request->string('quote_days')->value() ?: '30',
            'freight_spread' => $request->boolean('freight_spread') ? '1' : '',
            'freight_class' => $request->string('freight_class')->value(),
            'closed_weekdays' => $request->string('closed_weekdays')->value(),
            'closed_days' => $request->string('closed_days')->value(),
            'cancellation_fee' => $this->percent($request, 'cancellation_fee'),
        ];

        foreach (OrderSource::cases() as $source) {
            $terms["deposit.{$source->value}"] = $this->percent($request, "deposit_{$source->value}");
        }

        foreach ([OrderWay::Delivery, OrderWay::Parcel] as $way) {
            $terms["freight.{$way->value}"] = $this->freight($request, $way);
            $terms["free.{$way->value}"] = $this->checked("free_{$way->value}", fn (): string => $this->house
                ->typedMoney($request->string("free_{$way->value}")->value())?->toString() ?? '');
        }

        $this->checked('rows', fn () => $this->terms->save($terms));

        return redirect()->route('orders.terms')->with('done', 'Saved. Orders made from now on follow it.');
    }

    private function percent(Request $request, string $field): string
    {
        $typed = trim($request->string($field)->value(), " %\t");

        return $typed === '' ? '0' : $this->checked(
            $field,
            static fn (): string => Percentage::of(TypedNumber::plain($typed))->toString(),
        );
    }

    /** @return list<array{up_to: string, charge: string}> */
    private function freight(Request $request, OrderWay $way): array
    {
        $steps = [];

        for ($i = 0; $i < self::STEPS; $i++) {
            $upTo = trim($request->string("rows.{$way->value}-{$i}-up_to")->value());
            $charge = trim($request->string("rows.{$way->value}-{$i}-charge")->value());

            if ($charge !== '') {
                $steps[] = $this->checked('rows', fn (): array => [
                    'up_to' => $upTo === '' ? '' : TypedNumber::plain($upTo),
                    'charge' => $this->house->typedMoney($charge)?->toString() ?? '0.00',
                ]);
            }
        }

        return $steps;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     */
    private function checked(string $field, callable $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }
}
