<?php

declare(strict_types=1);

namespace Elmstone\Orders\Pages;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderChange;
use Elmstone\Orders\OrderWay;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** What is done to an order on its page, as typed. */
final class OrderRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said; the rest above the page. */
    private const FIELDS = [
        'reason_missing' => 'reason',
        'wanted_past' => 'wanted_on',
        'wanted_closed' => 'wanted_on',
        'no_address' => 'deliver_to',
        'not_found' => 'add',
        'off_sale' => 'add',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required_without:shelf', 'integer'],
            'key' => ['nullable', 'uuid'],
            'quantity' => ['nullable', 'array', 'max:500'],
            'serials' => ['nullable', 'array', 'max:500'],
            'reason' => ['nullable', 'string', 'max:200'],
            'wanted_on' => ['nullable', 'date_format:Y-m-d'],
            'deliver_to' => ['nullable', 'string', 'max:300'],
            'buyer' => ['nullable', 'string', 'max:120'],
            'note' => ['nullable', 'string', 'max:255'],
            'shelf' => ['nullable', 'string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['wanted_on.date_format' => 'Type the day as 2027-03-14.'];
    }

    /** @throws Refused bad_quantity, bad_number, bad_serial, serial_twice */
    public function leaving(): Leaving
    {
        $serials = [];

        foreach ($this->array('serials') as $position => $typed) {
            $serials[(int) $position] = Serials::read(is_string($typed) ? $typed : '');
        }

        return Leaving::of($this->quantities(), array_filter(
            $serials,
            static fn (array $ones): bool => $ones !== [],
        ));
    }

    /** @throws Refused bad_quantity, bad_number, not_found */
    public function change(Order $order, ItemSearch $search, ?GivenApproval $approval): OrderChange
    {
        $code = $this->string('add')->trim()->value();
        $item = $code === '' ? null : $search->exact($code)
            ?? throw Refused::because('not_found', "No item has the code or barcode “{$code}”.");
        $way = OrderWay::tryFrom($this->string('way')->value());
        $wanted = $this->string('wanted_on')->value();
        $typed = fn (string $name): ?string => $this->has($name) ? $this->string($name)->trim()->value() : null;

        return new OrderChange(
            $this->quantities(),
            $item === null ? [] : [[
                $item,
                Quantity::of(TypedNumber::plain($this->string('add_quantity')->trim()->value() ?: '1')),
            ]],
            $way,
            $wanted === '' ? null : CarbonImmutable::parse($wanted, 'UTC'),
            $typed('wanted_when'),
            $typed('deliver_to'),
            $typed('buyer'),
            $typed('note'),
            $this->string('reason')->trim()->value(),
            $this->boolean('waive'),
            $approval,
        );
    }

    /** @return array<int, BigDecimal> by position, what was typed */
    private function quantities(): array
    {
        $quantities = [];

        foreach ($this->array('quantity') as $position => $typed) {
            $typed = is_string($typed) ? trim($typed) : '';

            if ($typed !== '') {
                $plain = TypedNumber::plain($typed);
                $quantities[(int) $position] = $plain === '0' ? BigDecimal::zero() : Quantity::of($plain)->value;
            }
        }

        return $quantities;
    }
}
