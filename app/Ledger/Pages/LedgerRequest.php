<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Elmstone\Shop\Location;
use Elmstone\Support\Http\PeriodRequest;

/** For which days and which location a page of the ledger is. */
final class LedgerRequest extends PeriodRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'location' => ['nullable', 'integer', 'exists:'.(new Location)->getTable().',id'],
            'closing' => ['nullable', 'boolean'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'location.*' => 'There is no such location.'];
    }

    public function location(): ?int
    {
        return $this->filled('location') ? $this->integer('location') : null;
    }

    public function withYearEnd(): bool
    {
        return $this->boolean('closing');
    }

    /** @return array<string, mixed> what an address keeps beside the period */
    public function kept(): array
    {
        return array_filter([
            'location' => $this->location(),
            'closing' => $this->withYearEnd() ? 1 : null,
        ], static fn (?int $kept): bool => $kept !== null);
    }
}
