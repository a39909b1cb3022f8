<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Settlement\Surcharge;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** What cards cost at one place, as it was typed. */
final class SurchargeRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        $rules = [
            'words' => ['nullable', 'string', 'max:300'],
            'class' => ['nullable', 'string', 'exists:tax_classes,code'],
            'most' => ['nullable', 'string', 'max:12'],
        ];

        foreach (CardSurcharge::TYPES as $type) {
            $rules["{$type}_percent"] = ['nullable', 'string', 'max:12'];
            $rules["{$type}_cap"] = ['nullable', 'string', 'max:16'];
        }

        return $rules;
    }

    public function after(): callable
    {
        return $this->check(...);
    }

    private function check(Validator $validator): void
    {
        $fails = static fn (string $field, string $why) => $validator->errors()->add($field, $why);
        $most = $this->read('most', $fails);

        foreach (CardSurcharge::TYPES as $type) {
            $percent = $this->read("{$type}_percent", $fails);

            try {
                $cap = $this->cap($type);
                $cap !== null && $percent === null
                    && $fails("{$type}_cap", 'A most without a percentage costs nothing: type the percentage too.');
            } catch (Refused $refused) {
                $fails("{$type}_cap", $refused->getMessage());
            }

            if ($percent !== null && $most !== null && $percent->value->isGreaterThan($most->value)) {
                $fails(
                    "{$type}_percent",
                    "The law allows {$most->toString()} % at most, as is typed above. Type that or less.",
                );
            }

            $percent !== null && $this->string('words')->trim()->value() === ''
                && $fails('words', 'Say what payers are told before their card is asked.');
        }
    }

    /** @return array<string, Surcharge> by kind of card; only those that cost something */
    public function surcharges(): array
    {
        $surcharges = [];

        foreach (CardSurcharge::TYPES as $type) {
            $percent = $this->percent("{$type}_percent");
            $percent === null || ($surcharges[$type] = new Surcharge($percent, $this->cap($type)));
        }

        return $surcharges;
    }

    /** @return array<string, string|null> as the place keeps them */
    public function terms(): array
    {
        return [
            'surcharge_words' => $this->string('words')->trim()->value(),
            'surcharge_class' => $this->filled('class') ? $this->string('class')->value() : null,
            'surcharge_most' => $this->percent('most')?->toString(),
        ];
    }

    /** @param  callable(string, string): mixed  $fails */
    private function read(string $field, callable $fails): ?Percentage
    {
        try {
            return $this->percent($field);
        } catch (Refused $refused) {
            $fails($field, $refused->getMessage());

            return null;
        }
    }

    /** @throws Refused bad_number, bad_percent */
    private function percent(string $field): ?Percentage
    {
        $typed = trim(str_replace('%', '', $this->string($field)->value()));

        if ($typed === '') {
            return null;
        }

        $percent = Percentage::ofWhole(TypedNumber::plain($typed));

        return $percent->value->isZero() ? null : $percent;
    }

    /** @throws Refused bad_number, bad_amount */
    private function cap(string $type): ?Money
    {
        return app(House::class)->typedMoney($this->string("{$type}_cap")->value());
    }
}
