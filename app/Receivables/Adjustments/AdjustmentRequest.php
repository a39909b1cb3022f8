<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** What is typed to settle an item otherwise than by paying it. */
final class AdjustmentRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'bad_amount' => 'amount',
        'bad_number' => 'amount',
        'reason_missing' => 'reason',
        'no_customer' => 'to',
        'same_account' => 'to',
        'not_an_account' => 'to',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'amount' => ['nullable', 'string', 'max:20'],
            'reason' => ['nullable', 'string', 'max:200'],
            'to' => ['nullable', 'integer'],
        ];
    }

    public function key(): string
    {
        return $this->string('key')->value();
    }

    public function reason(): string
    {
        return $this->string('reason')->trim()->value();
    }

    public function amount(House $house): Money
    {
        return $house->typedMoney($this->string('amount')->value()) ?? $house->money(0);
    }
}
