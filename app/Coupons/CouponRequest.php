<?php

declare(strict_types=1);

namespace Elmstone\Coupons;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** A coupon as it is typed. */
final class CouponRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'code' => [
                'required',
                'string',
                'max:40',
                'regex:/^[A-Za-z0-9-]*[A-Za-z][A-Za-z0-9-]*$/',
                Rule::unique('coupons', 'code')->ignore($this->route('coupon')),
            ],
            'description' => ['required', 'string', 'max:160'],
            'off' => ['required', 'string', 'max:20'],
            'items' => ['nullable', 'string', 'max:2000'],
            'departments' => ['nullable', 'array'],
            'departments.*' => ['integer', 'exists:departments,id'],
            'least_spend' => ['nullable', 'string', 'max:14'],
            'starts_on' => ['required', 'date_format:Y-m-d'],
            'ends_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:starts_on'],
            'most_uses' => ['nullable', 'integer', 'min:1', 'max:1000000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'code.regex' => 'A code has letters, digits and dashes, and at least one letter, so that it is not taken '
                .'for a number.',
            'code.unique' => 'There is a coupon with this code already.',
            'ends_on.after_or_equal' => 'It cannot end before it begins.',
            'off.required' => 'Type what comes off: “10 %” or an amount.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach (
                    [
                        'off' => fn () => $this->off(),
                        'least_spend' => fn () => $this->leastSpend(),
                        'items' => fn () => $this->items(),
                    ] as $field => $read
                ) {
                    try {
                        $validator->errors()->has($field) || $read();
                    } catch (Refused $refused) {
                        $validator->errors()->add($field, $refused->getMessage());
                    }
                }
            },
        ];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $off = $this->off();
        $departments = array_values(array_map(intval(...), $this->array('departments')));
        $items = $this->items();

        return [
            'code' => mb_strtoupper($this->string('code')->trim()->value()),
            'description' => $this->string('description')->trim()->value(),
            'percent' => $off->percent?->toString(),
            'amount' => $off->amount,
            'items' => $items === [] ? null : $items,
            'departments' => $departments === [] ? null : $departments,
            'least_spend' => $this->leastSpend(),
            'starts_on' => $this->string('starts_on')->value(),
            'ends_on' => $this->filled('ends_on') ? $this->string('ends_on')->value() : null,
            'most_uses' => $this->filled('most_uses') ? $this->integer('most_uses') : null,
            'alone' => $this->boolean('alone'),
            'active' => $this->boolean('active'),
        ];
    }

    private function off(): Reduction
    {
        $typed = trim($this->string('off')->value());
        $off = preg_match('/^(.+?)\s*%$/', $typed, $found) === 1
                ? Reduction::percent(TypedNumber::plain($found[1]))
                : Reduction::amount(
                    app(House::class)->fitting(Money::of(TypedNumber::plain($typed), app(House::class)->currency())),
                );

        return $off->percent?->value->isZero() === true || $off->amount?->isZero() === true
            ? throw Refused::because('bad_amount', 'A coupon takes something off.')
            : $off;
    }

    private function leastSpend(): ?Money
    {
        return app(House::class)->typedMoney($this->string('least_spend')->value());
    }

    /** @return list<int> */
    private function items(): array
    {
        $ids = [];

        foreach (
            preg_split('/[\s,;]+/', $this->string('items')->trim()->value(), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $code
        ) {
            $ids[] = (int) (Item::query()->where('code', $code)->value('id')
                    ?? throw Refused::because('not_found', "No item has the code “{$code}”."));
        }

        return $ids;
    }
}
