<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Refused;
use Elmstone\Layaways\AgreedTerms;
use Elmstone\Layaways\PortionText;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** The shop's terms as they were typed. */
final class TermsRequest extends FormRequest
{
    private const PORTIONS = [...AgreedTerms::PORTIONS, 'plan_charge'];

    private const DAYS = ['plan', 'layaway', 'expiry'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'days' => ['required', 'integer', 'min:1', 'max:1825'],
            'grace_days' => ['required', 'integer', 'min:0', 'max:365'],
            'rhythm' => ['required', Rule::enum(Rhythm::class)],
            'plan_rhythm' => ['required', Rule::enum(Rhythm::class)],
            'plan_count' => ['required', 'integer', 'min:1', 'max:120'],
            'fee_tax_class' => ['nullable', 'exists:tax_classes,code'],
            'plan_tax_class' => ['nullable', 'exists:tax_classes,code'],
            ...array_fill_keys(array_map(static fn (string $name): string => "remind_{$name}", self::DAYS), [
                'nullable',
                'string',
                'regex:/^\s*([+\-−]?\d{1,3})(\s*[,;\s]\s*[+\-−]?\d{1,3})*\s*$/u',
            ]),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'days.*' => 'A layaway runs between 1 and 1825 days.',
            'grace_days.*' => 'Days of grace are between 0 and 365.',
            'plan_count.*' => 'A plan has between 1 and 120 parts.',
            ...array_fill_keys(
                array_map(static fn (string $name): string => "remind_{$name}.*", self::DAYS),
                'Write days around the due date, such as “-7, 0, 1, 3”.',
            ),
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach ([...self::PORTIONS, 'service_fee'] as $field) {
                    try {
                        $field === 'service_fee' ? $this->serviceFee() : $this->portion($field);
                    } catch (Refused $refused) {
                        $validator->errors()->add($field, $refused->getMessage());
                    }
                }
            },
        ];
    }

    /** @return array<string, mixed> columns of the shop */
    public function columns(House $house): array
    {
        $terms = [];

        foreach (AgreedTerms::PORTIONS as $portion) {
            $terms[$portion] = $this->portion($portion);
        }

        return [
            'layaway_terms' => [
                'terms' => $terms,
                'service_fee' => $this->serviceFee(),
                'days' => $this->integer('days'),
                'grace_days' => $this->integer('grace_days'),
                'rhythm' => $this->string('rhythm')->value(),
            ],
            'plan_terms' => [
                ...$this->portion('plan_charge'),
                'count' => $this->integer('plan_count'),
                'rhythm' => $this->string('plan_rhythm')->value(),
            ],
            'reminder_days' => [
                'plan' => $this->days('plan'),
                'layaway' => $this->days('layaway'),
                'expiry' => $this->days('expiry'),
            ],
            'fee_tax_class' => $this->filled('fee_tax_class') ? $this->string('fee_tax_class')->value() : null,
            'plan_tax_class' => $this->filled('plan_tax_class') ? $this->string('plan_tax_class')->value() : null,
        ];
    }

    /** @return array{percent: string|null, amount: int|null} */
    private function portion(string $field): array
    {
        return PortionText::read($this->string($field)->value(), app(House::class));
    }

    private function serviceFee(): int
    {
        $fee = app(House::class)->typedMoney($this->string('service_fee')->value());

        return $fee?->isNegative() === true
            ? throw Refused::because('bad_amount', 'A fee cannot be below zero.')
            : $fee->minor ?? 0;
    }

    /** @return list<int> in their order, each once */
    private function days(string $name): array
    {
        $typed = str_replace('−', '-', $this->string("remind_{$name}")->value());
        $days = array_map(
            static fn (string $day): int => (int) $day,
            preg_split('/[,;\s]+/', $typed, -1, PREG_SPLIT_NO_EMPTY) ?: [],
        );
        $days = array_values(array_unique($days));
        sort($days);

        return $days;
    }
}
