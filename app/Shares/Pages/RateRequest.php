<?php

declare(strict_types=1);

namespace Elmstone\Shares\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A rate of commission as typed. */
final class RateRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'bad_percent' => 'rate',
        'rate_too_high' => 'rate',
        'back_to_front' => 'until_day',
        'rates_overlap' => 'from_day',
        'bad_number' => 'rate',
        'no_such_person' => 'whose',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'whose' => ['required', 'regex:/^(house|person:\d+|department:\d+)$/'],
            'rate' => ['required', 'string', 'max:12'],
            'of' => ['required', Rule::in(['net', 'margin'])],
            'from_day' => ['required', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'until_day' => ['nullable', 'date_format:Y-m-d', 'before:2100-01-01'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'whose.*' => 'Say whose commission it is.',
            'rate.*' => 'Type how many percent.',
            'from_day.*' => 'Type the first day.',
            'until_day.*' => 'Type the last day, or leave it empty.',
        ];
    }

    /** @return array{int|null, int|null} person, department */
    public function whose(): array
    {
        [$kind, $id] = [...explode(':', $this->string('whose')->value()), ''];

        return [$kind === 'person' ? (int) $id : null, $kind === 'department' ? (int) $id : null];
    }

    public function rate(): Percentage
    {
        return Percentage::of(TypedNumber::plain(rtrim($this->string('rate')->trim()->value(), ' %')));
    }

    public function day(string $field): ?CarbonImmutable
    {
        return $this->filled($field)
            ? CarbonImmutable::createFromFormat('!Y-m-d', $this->string($field)->value())
            : null;
    }
}
