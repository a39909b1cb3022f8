<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Customers\Customer;
use Elmstone\Support\Http\SaysAtItsField;
use Elmstone\Support\ShopTime;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What is done with an owner of goods, as it was typed. */
final class OwnerRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said; the rest above the page. */
    private const FIELDS = [
        'no_customer' => 'way', 'no_such_way' => 'way', 'not_over_yet' => 'until', 'still_there' => 'code',
        'no_owner' => 'percent', 'not_theirs' => 'code',
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'key' => ['nullable', 'uuid'],
            'owner_percent' => ['nullable', 'string', $this->percent(...)],
            'card_fee_percent' => ['nullable', 'string', $this->percent(...)],
            'customer' => ['nullable', 'integer'],
            'percent' => ['nullable', 'string', $this->percent(...)],
            'until' => ['nullable', 'date_format:Y-m-d'],
            'quantity' => ['nullable', 'array', 'max:500'],
            'serials' => ['nullable', 'array', 'max:500'],
        ];
    }

    /** @return array{owner_percent: string|null, card_fee_percent: string, customer_id: int|null} */
    public function terms(): array
    {
        return [
            'owner_percent' => $this->filled('owner_percent') ? $this->share('owner_percent') : null,
            'card_fee_percent' => $this->filled('card_fee_percent') ? $this->share('card_fee_percent') : '0',
            'customer_id' => $this->customer(),
        ];
    }

    public function item(ItemSearch $search): Item
    {
        $code = $this->string('code')->trim()->value();

        return ($code === '' ? null : $search->exact($code)) ?? throw ValidationException::withMessages([
            'code' => $code === '' ? 'Scan or type an item.' : "No item has the code or barcode “{$code}”.",
        ]);
    }

    /** @return OwnerShare|null null: as the owner has it of everything */
    public function itemShare(): ?OwnerShare
    {
        return $this->filled('percent') ? OwnerShare::percent($this->share('percent')) : null;
    }

    public function until(): CarbonImmutable
    {
        return $this->filled('until')
            ? CarbonImmutable::createFromFormat('!Y-m-d', $this->string('until')->value()) ?? ShopTime::today()
            : ShopTime::today();
    }

    /**
     * So many of each, by item.
     *
     * @return list<TheirGoods>
     *
     * @throws ValidationException
     */
    public function goods(): array
    {
        $typed = array_filter(
            $this->array('quantity'),
            static fn (mixed $one): bool => is_string($one) && ! in_array(trim($one), ['', '0'], true),
        );
        $goods = [];

        foreach (Item::query()->whereKey(array_keys($typed))->orderBy('id')->get() as $item) {
            $goods[] = $this->read("quantity.{$item->id}", function () use ($item, $typed): TheirGoods {
                $quantity = Quantity::of(TypedNumber::plain($typed[$item->id]));
                $item->assertSoldIn($quantity);
                $serials = $this->array('serials')[$item->id] ?? '';
                $pieces = Serials::read(is_string($serials) ? $serials : '');
                $item->has_serials && Serials::assertComplete($item->description, $quantity, $pieces);

                return new TheirGoods($item, $quantity, $pieces);
            });
        }

        return $goods;
    }

    private function customer(): ?int
    {
        if (! $this->filled('customer')) {
            return null;
        }

        $customer = Customer::query()
            ->where('number', $this->integer('customer'))
            ->whereNull('merged_into_id')
            ->first();

        return $customer->id ?? throw ValidationException::withMessages([
            'customer' => "No customer has the number {$this->integer('customer')}.",
        ]);
    }

    private function share(string $field): string
    {
        return self::plain($this->string($field)->value());
    }

    private static function plain(string $typed): string
    {
        return TypedNumber::plain(rtrim(trim($typed), ' %'));
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws ValidationException
     */
    private function read(string $field, callable $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }

    /** @param  Closure(string): mixed  $fail */
    private function percent(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            OwnerShare::percent(self::plain(is_string($value) ? $value : ''));
        } catch (Refused) {
            $fail('Type a percentage up to 100, such as 60.');
        }
    }
}
