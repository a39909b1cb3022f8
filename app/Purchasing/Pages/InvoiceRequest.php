<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** A supplier's invoice as it was typed. */
final class InvoiceRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'number_missing' => 'number', 'invoiced_already' => 'number', 'nothing_chosen' => 'ticked',
        'another_supplier' => 'ticked', 'differs' => 'amount', 'bad_amount' => 'amount', 'bad_number' => 'amount',
        'amount_too_large' => 'amount', 'dated_ahead' => 'dated',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'ticked' => ['nullable', 'array', 'max:500'],
            'number' => ['nullable', 'string', 'max:40'],
            'dated' => ['nullable', 'date_format:Y-m-d'],
        ];
    }
}
