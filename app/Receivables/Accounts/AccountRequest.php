<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Carbon\CarbonImmutable;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;

/** What of an account is wanted, and as of which day. */
final class AccountRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'as_of' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'from' => ['nullable', 'date_format:Y-m-d'],
            'kind' => ['nullable', 'in:charge,credit'],
            'skip' => ['nullable', 'integer', 'min:0', 'max:10000000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['as_of.*' => 'That is not a day to look back on.', 'from.date_format' => 'That is not a date.'];
    }

    public function asOf(): CarbonImmutable
    {
        return $this->filled('as_of') ? CarbonImmutable::parse($this->string('as_of')->value()) : ShopTime::today();
    }

    public function from(): ?CarbonImmutable
    {
        return $this->filled('from') ? CarbonImmutable::parse($this->string('from')->value()) : null;
    }

    public function kind(): string
    {
        return $this->string('kind')->value();
    }

    public function skip(): int
    {
        return $this->integer('skip');
    }

    /** @return array<string, string> */
    public function filters(): array
    {
        return array_filter(
            $this->only(['as_of', 'from', 'kind']),
            static fn (mixed $value): bool => is_string($value) && $value !== '',
        );
    }
}
