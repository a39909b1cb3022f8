<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Illuminate\Foundation\Http\FormRequest;

/** What was counted in a drawer. */
final class CountRequest extends FormRequest
{
    use ReadsCash;

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return ['seen' => ['required', 'integer', 'min:0', 'max:60000']];
    }
}
