<?php

declare(strict_types=1);

namespace Elmstone\Deliveries\Pages;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** What is done on the board and at a stop, as typed. */
final class DeliveryRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said; the rest above the page. */
    private const FIELDS = ['reason_missing' => 'why', 'name_missing' => 'name', 'bad_signature' => 'signature'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['nullable', 'integer'],
            'by' => ['nullable', 'integer', 'between:-100,100'],
            'day' => ['nullable', 'date_format:Y-m-d'],
            'vehicle' => ['nullable', 'integer'],
            'quantity' => ['nullable', 'array', 'max:500'],
            'why' => ['nullable', 'string', 'max:255'],
            'name' => ['nullable', 'string', 'max:120'],
            'signature' => ['nullable', 'string', 'max:60000'],
        ];
    }

    /** @return array<int, BigDecimal> by position */
    public function taken(): array
    {
        $taken = [];

        foreach ($this->array('quantity') as $position => $typed) {
            $plain = TypedNumber::plain(is_string($typed) ? trim($typed) : '');
            $taken[(int) $position] = in_array($plain, ['', '0'], true)
                ? BigDecimal::zero()
                : Quantity::of($plain)->value;
        }

        return $taken;
    }
}
