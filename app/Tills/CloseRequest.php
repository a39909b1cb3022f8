<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** A drawer that is closed on a count. */
final class CloseRequest extends FormRequest
{
    use ReadsCash;
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = ['left_in_too_large' => 'left_in', 'bad_amount' => 'left_in', 'note_missing' => 'note',
        'witness_missing' => 'approver'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'count' => ['required', 'integer', 'min:1', 'max:60000'],
            'note' => ['nullable', 'string', 'max:400'],
        ];
    }
}
