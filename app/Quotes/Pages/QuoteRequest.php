<?php

declare(strict_types=1);

namespace Elmstone\Quotes\Pages;

use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** What is done to a quote on its page, as typed. */
final class QuoteRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'reason_missing' => 'reason', 'follow_up_past' => 'follow_up_on', 'valid_past' => 'valid_until',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'reason' => ['nullable', 'string', 'max:200'],
            'other_reason' => ['nullable', 'string', 'max:200'],
            'said' => ['nullable', 'string', 'max:200'],
            'follow_up_on' => ['nullable', 'date_format:Y-m-d'],
            'valid_until' => ['nullable', 'date_format:Y-m-d'],
            'mail_to' => [$this->routeIs('quotes.mail') ? 'required' : 'nullable', 'email', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'mail_to.*' => 'Type a mail address.',
            'follow_up_on.*' => 'Type the day as 2027-03-14.',
            'valid_until.*' => 'Type the day as 2027-03-14.',
        ];
    }
}
