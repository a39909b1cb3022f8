<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/** A call about what is late, as noted. */
final class CallRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'note' => ['required', 'string', 'max:500'],
            'spoke_to' => ['nullable', 'string', 'max:120'],
            'promised' => ['nullable', 'string', 'max:20'],
            'promised_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:today', 'required_with:promised'],
            'call_again_on' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:today'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'note.required' => 'Write what was said.',
            'promised_on.required_with' => 'By when is it promised?',
            'promised_on.after_or_equal' => 'A promise is for a day to come.',
            'call_again_on.after_or_equal' => 'The next call is on a day to come.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                try {
                    $this->promised();
                } catch (Refused $refused) {
                    $validator->errors()->add('promised', $refused->getMessage());
                }
            },
        ];
    }

    /** @return array<string, mixed> */
    public function fields(): array
    {
        return [
            'note' => $this->string('note')->trim()->value(),
            'spoke_to' => $this->string('spoke_to')->trim()->value(),
            'promised' => $this->promised(),
            'promised_on' => $this->filled('promised_on') ? $this->string('promised_on')->value() : null,
            'call_again_on' => $this->filled('call_again_on') ? $this->string('call_again_on')->value() : null,
        ];
    }

    private function promised(): ?Money
    {
        if (! $this->filled('promised')) {
            return null;
        }

        $money = app(House::class)->fitting(
            Money::of(TypedNumber::plain($this->string('promised')->value()), app(House::class)->currency()),
        );

        return $money->isPositive() ? $money : throw Refused::because('bad_amount', 'A promise is more than nothing.');
    }
}
