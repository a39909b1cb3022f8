<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Illuminate\Foundation\Http\FormRequest;

/** A drawer that is opened: as it was left in, or with a float that was counted. */
final class FloatRequest extends FormRequest
{
    use ReadsCash;

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'as_left' => ['nullable', 'in:1'],
            'slip' => ['nullable', 'uuid'],
        ];
    }

    /** Null: as it was left in. */
    public function counted(): ?Money
    {
        return $this->boolean('as_left') ? null : $this->cash()->total;
    }
}
