<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

use Carbon\CarbonImmutable;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;

/** As of which day, past or present; nothing said: today. */
final class AsOfRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return ['as_of' => ['nullable', 'date_format:Y-m-d', 'before_or_equal:today']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['as_of.*' => 'Type a day up to today.'];
    }

    public function day(): CarbonImmutable
    {
        return $this->filled('as_of')
            ? CarbonImmutable::createFromFormat('!Y-m-d', $this->string('as_of')->value()) ?? ShopTime::today()
            : ShopTime::today();
    }
}
