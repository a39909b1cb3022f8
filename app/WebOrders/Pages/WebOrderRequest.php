<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Pages;

use Elmstone\WebOrders\Decisions;
use Illuminate\Foundation\Http\FormRequest;

/** What a person decides about an order from the web, as typed: a row for each of their lines, from 0. */
final class WebOrderRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer'],
            'rows' => ['nullable', 'array', 'max:1000'],
            'customer' => ['nullable', 'integer', 'between:1,999999999'],
            'freight' => ['nullable', 'in:ours,theirs'],
            'wanted_on' => ['nullable', 'date_format:Y-m-d'],
            'why' => ['nullable', 'string', 'max:255'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'customer.*' => 'Type the customer’s number.',
            'wanted_on.date_format' => 'Type the day as 2027-03-14.',
        ];
    }

    public function decisions(): Decisions
    {
        return Decisions::fromTyped($this->all());
    }
}
