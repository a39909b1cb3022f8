<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** How drawers are counted, as typed. */
final class TermsRequest extends FormRequest
{
    use ReadsCash;

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return ['blind_counts' => ['boolean']];
    }

    /** @throws ValidationException */
    public function tolerance(string $field): Money
    {
        $amount = $this->sum($field);

        return $amount->isNegative()
            ? throw ValidationException::withMessages([$field => 'It cannot be below zero.'])
            : $amount;
    }
}
