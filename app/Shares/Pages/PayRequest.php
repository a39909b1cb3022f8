<?php

declare(strict_types=1);

namespace Elmstone\Shares\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Http\SaysAtItsField;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;

/** Commission that is to be paid out. */
final class PayRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said. */
    private const FIELDS = [
        'no_amount' => 'amount',
        'more_than_owed' => 'amount',
        'bad_amount' => 'amount',
        'bad_number' => 'amount',
        'too_large' => 'amount',
        'no_such_way' => 'way',
        'not_over_yet' => 'amount',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'uuid'],
            'from' => ['required', 'date_format:Y-m-d'],
            'paid_until' => ['required', 'date_format:Y-m-d'],
            'amount' => ['nullable', 'string', 'max:20'],
            'way' => ['required', 'string', 'max:20'],
        ];
    }

    public function until(): CarbonImmutable
    {
        return CarbonImmutable::createFromFormat('!Y-m-d', $this->string('paid_until')->value())
            ?? ShopTime::today();
    }

    public function amount(House $house): Money
    {
        return $house->typedMoney($this->string('amount')->value()) ?? $house->money(0);
    }
}
