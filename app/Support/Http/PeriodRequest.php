<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\Report\Period;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** For which days a page is: a period by its name, or from a day to a day. */
class PeriodRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'period' => ['nullable', 'string', Rule::in(array_keys(Period::NAMED))],
            'from' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'until' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'period.*' => 'There is no such period.',
            'from.*' => 'Type the first day as 2027-01-31.',
            'until.*' => 'Type the last day as 2027-01-31.',
        ];
    }

    /** @throws ValidationException */
    public function period(string $default = 'this-month'): Period
    {
        $today = ShopTime::today();

        // A button says which period, whatever the days beside it are.
        if ($this->filled('period') || (! $this->filled('from') && ! $this->filled('until'))) {
            $named = Period::named($this->string('period', $default)->value() ?: $default, $today);

            return $named ?? throw ValidationException::withMessages(['period' => 'There is no such period.']);
        }

        $until = $this->day('until') ?? $today;
        $from = $this->day('from') ?? $until->startOfMonth();

        try {
            return Period::between($from, $until);
        } catch (Refused $refused) {
            throw ValidationException::withMessages(['from' => $refused->getMessage()]);
        }
    }

    private function day(string $field): ?CarbonImmutable
    {
        return $this->filled($field)
            ? CarbonImmutable::createFromFormat('!Y-m-d', $this->string($field)->value())
            : null;
    }
}
