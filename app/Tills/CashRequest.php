<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Purpose;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Cash that comes or goes besides sales. */
final class CashRequest extends FormRequest
{
    use ReadsCash;
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'no_amount' => 'amount',
        'reason_missing' => 'reason',
        'no_account' => 'account',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'what' => ['required', Rule::in(array_column(Purpose::movingCash(), 'value'))],
            'account' => ['nullable', 'string', 'max:30'],
            'reason' => ['nullable', 'string', 'max:255'],
        ];
    }

    public function move(): Purpose
    {
        return Purpose::from($this->string('what')->value());
    }
}
