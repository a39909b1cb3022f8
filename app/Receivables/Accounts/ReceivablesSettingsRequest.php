<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** What the shop charges for lateness and for payments that come back, and what it lets off. */
final class ReceivablesSettingsRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'finance_percent' => ['nullable', 'regex:/^\d{1,2}([.,]\d{1,4})?$/'],
            'finance_grace_days' => ['required', 'integer', 'min:0', 'max:365'],
            'bank_account' => ['nullable', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'finance_percent.regex' => 'A finance charge is a percentage such as 1.5; empty: none.',
            'finance_grace_days.*' => 'Days are a whole number from 0 to 365.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach (['finance_minimum', 'returned_payment_fee', 'small_difference'] as $field) {
                    try {
                        $this->money($field);
                    } catch (Refused $refused) {
                        $validator->errors()->add($field, $refused->getMessage());
                    }
                }
            },
        ];
    }

    /** @return array<string, mixed> */
    public function fields(): array
    {
        return [
            'finance_percent' => $this->filled('finance_percent')
                ? TypedNumber::plain($this->string('finance_percent')->value())
                : null,
            'finance_grace_days' => $this->integer('finance_grace_days'),
            'finance_minimum' => $this->money('finance_minimum'),
            'returned_payment_fee' => $this->money('returned_payment_fee'),
            'bank_account' => $this->string('bank_account')->trim()->value(),
            'small_difference' => $this->money('small_difference'),
            'bad_debt_tax' => $this->boolean('bad_debt_tax'),
        ];
    }

    private function money(string $field): Money
    {
        return $this->filled($field)
            ? app(House::class)->fitting(
                Money::of(TypedNumber::plain($this->string($field)->value()), app(House::class)->currency()),
            )
            : app(House::class)->money(0);
    }
}
