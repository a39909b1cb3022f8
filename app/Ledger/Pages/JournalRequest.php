<?php

declare(strict_types=1);

namespace Elmstone\Ledger\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Location;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;

/** Which day of which location the journal is asked for. */
final class JournalRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'day' => ['nullable', 'date_format:Y-m-d', 'after:1999-12-31', 'before:2100-01-01'],
            'location' => ['nullable', 'integer', 'exists:'.(new Location)->getTable().',id'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['day.*' => 'Type a day as 2027-01-31.', 'location.*' => 'There is no such location.'];
    }

    public function day(): CarbonImmutable
    {
        return $this->filled('day')
            ? CarbonImmutable::createFromFormat('!Y-m-d', $this->string('day')->value()) ?? ShopTime::today()
            : ShopTime::today();
    }

    public function location(): ?int
    {
        return $this->filled('location') ? $this->integer('location') : null;
    }
}
