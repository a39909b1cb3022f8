<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Pages;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseLine;
use Elmstone\Purchasing\Receiving\Arrived;
use Elmstone\Shop\House;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What is done to an order to a supplier, as typed: a list by position, each field of a line under its own name. */
final class PurchaseRequest extends FormRequest
{
    use SaysAtItsField;

    /** Where what is refused is said; the rest above the page. */
    private const FIELDS = ['expected_past' => 'expected_on', 'not_found' => 'code', 'nothing_chosen' => 'code'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        $list = ['nullable', 'array', 'max:500'];

        return [
            'version' => ['nullable', 'integer'],
            'key' => ['nullable', 'uuid'],
            'quantity' => $list,
            'cost' => $list,
            'refused' => $list,
            'why' => $list,
            'serials' => $list,
            'worth' => $list,
            'rows' => $list,
            'cell' => $list,
            'expected_on' => ['nullable', 'date_format:Y-m-d'],
            'delivery_note' => ['nullable', 'string', 'max:60'],
            'note' => ['nullable', 'string', 'max:255'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['expected_on.date_format' => 'Type the day as 2027-03-14.'];
    }

    public function expected(): ?CarbonImmutable
    {
        $typed = $this->string('expected_on')->value();

        return $typed === '' ? null : CarbonImmutable::parse($typed, 'UTC');
    }

    /**
     * @return array<int, array{BigDecimal, UnitPrice}> by position
     *
     * @throws ValidationException
     */
    public function lines(Purchase $purchase): array
    {
        $lines = [];

        foreach ($purchase->lines as $line) {
            $at = $line->position;

            if ($this->typed('quantity', $at) !== '' || $this->typed('cost', $at) !== '') {
                $lines[$at] = $this->checked("quantity.{$at}", fn (): array => [
                    $this->amount('quantity', $at, BigDecimal::of($line->quantity)),
                    $this->typed('cost', $at) === ''
                        ? $line->cost
                        : app(House::class)->typedPrice($this->typed('cost', $at)),
                ]);
            }
        }

        return $lines;
    }

    /**
     * One more item, by its code.
     *
     * @throws ValidationException
     */
    public function more(ItemSearch $search): BuyLine
    {
        return $this->checked('code', fn (): BuyLine => new BuyLine(
            self::item($search, $this->string('code')->trim()->value()),
            Quantity::of(TypedNumber::plain($this->string('many')->trim()->value() ?: '1')),
        ));
    }

    /**
     * What came in, by the lines of the purchase and beyond them.
     *
     * @return list<Arrived>
     *
     * @throws ValidationException
     */
    public function arrived(Purchase $purchase, ItemSearch $search): array
    {
        $arrived = $this->inGrids($purchase);
        $said = $this->array('cell');

        foreach ($purchase->lines as $line) {
            $one = array_key_exists($line->item_id, $said)
                ? null
                : $this->checked("quantity.{$line->position}", fn (): ?Arrived => $this->ofLine($line));
            $one === null || ($arrived[] = $one);
        }

        if ($this->string('code')->trim()->value() !== '') {
            $more = $this->more($search);
            $worth = $this->checked('more_worth', fn (): ?Money => app(House::class)->typedMoney(
                $this->string('more_worth')->value(),
            ));
            $arrived[] = new Arrived(
                null, $more->item, $more->quantity->value, $worth, BigDecimal::zero(), 'not ordered',
                Serials::read($this->string('more_serials')->value()), $this->boolean('costs_nothing'),
            );
        }

        return $arrived;
    }

    /**
     * What was counted in the grids of families: of a line, or of what nobody ordered.
     *
     * @return list<Arrived>
     *
     * @throws ValidationException
     */
    private function inGrids(Purchase $purchase): array
    {
        $arrived = [];
        $items = Item::query()->whereKey(array_keys($this->array('cell')))->get()->keyBy('id');
        $lines = $purchase->lines->keyBy('item_id');

        foreach (array_keys($this->array('cell')) as $id) {
            $quantity = $this->checked("cell.{$id}", fn (): BigDecimal => $this->amount(
                'cell', (int) $id, BigDecimal::zero(),
            ));
            $item = $items[$id] ?? null;

            if ($item !== null && $quantity->isPositive()) {
                $line = $lines[$item->id] ?? null;
                $arrived[] = new Arrived(
                    $line?->position, $item, $quantity, $line === null ? $this->usualCost($item, $quantity) : null,
                    BigDecimal::zero(), $line === null ? 'not ordered' : '', [], $this->boolean('costs_nothing'),
                );
            }
        }

        return $arrived;
    }

    /** What nobody ordered costs what it cost so far, unless its row says otherwise. */
    private function usualCost(Item $item, BigDecimal $quantity): Money
    {
        return $item->cost->worth(Quantity::of((string) $quantity), $item->price_per, app(House::class)->currency());
    }

    /**
     * So many of several cells of a family.
     *
     * @return list<BuyLine>
     *
     * @throws ValidationException
     */
    public function cells(): array
    {
        $typed = array_filter(
            $this->array('cell'),
            static fn (mixed $one): bool => is_string($one) && trim($one) !== '',
        );
        $items = Item::query()->whereKey(array_keys($typed))->orderBy('id')->get();

        return array_values($items->map(fn (Item $item): BuyLine => new BuyLine($item, $this->checked(
            "cell.{$item->id}",
            fn (): Quantity => Quantity::of(TypedNumber::plain($this->typed('cell', $item->id))),
        )))->all());
    }

    private function ofLine(PurchaseLine $line): ?Arrived
    {
        $at = $line->position;
        $quantity = $this->amount('quantity', $at, BigDecimal::zero());
        $refused = $this->amount('refused', $at, BigDecimal::zero());

        return $quantity->isZero() && $refused->isZero() ? null : new Arrived(
            $at,
            $line->item,
            $quantity,
            app(House::class)->typedMoney($this->typed('worth', $at)),
            $refused,
            $this->typed('why', $at),
            Serials::read($this->typed('serials', $at)),
            $this->boolean('costs_nothing'),
        );
    }

    private function amount(string $list, int $position, BigDecimal $else): BigDecimal
    {
        $typed = $this->typed($list, $position);
        $plain = $typed === '' ? '' : TypedNumber::plain($typed);

        return match ($plain) {
            '' => $else,
            '0' => BigDecimal::zero(),
            default => Quantity::of($plain)->value,
        };
    }

    private function typed(string $list, int $position): string
    {
        $typed = $this->array($list)[$position] ?? '';

        return is_string($typed) ? trim($typed) : '';
    }

    /** @throws Refused not_found */
    public static function item(ItemSearch $search, string $code): Item
    {
        return ($code === '' ? null : $search->exact($code))
            ?? throw Refused::because('not_found', "No item has the code or barcode “{$code}”.");
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws ValidationException
     */
    public function checked(string $field, callable $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }
}
