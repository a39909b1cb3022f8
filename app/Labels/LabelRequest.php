<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What is to be printed, as it was typed. */
final class LabelRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'list' => ['required', 'string', 'max:200000'],
            'size' => ['required', Rule::in(array_keys(LabelSize::all()))],
            'first' => ['nullable', 'integer', 'between:1,200'],
            'day' => ['required', 'date_format:Y-m-d'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'list.required' => 'Scan or type at least one item.',
            'size.in' => 'Choose a size of label.',
            'first.between' => 'Count the label from 1.',
            'first.integer' => 'Count the label from 1.',
        ];
    }
}
