<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Illuminate\Foundation\Http\FormRequest;

class ChangePersonRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['number' => ['required', 'string', 'max:8'], 'pin' => ['required', 'string', 'max:12']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'number.required' => 'Type your staff number.',
            'pin.required' => 'Type your PIN.',
            'till.required' => 'Choose the till you stand at.',
            'till.exists' => 'Choose the till you stand at.',
        ];
    }
}
