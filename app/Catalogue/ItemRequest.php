<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Closure;
use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** An item's page as it was typed; numbers in any notation the counter takes. */
final class ItemRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        $item = $this->route('item');

        return [
            'code' => [
                'required',
                'string',
                'max:24',
                'regex:/^[!-~]+$/',
                Rule::unique('items', 'code')->ignore($item instanceof Item ? $item->id : null),
            ],
            'barcode' => [
                'nullable',
                'string',
                $this->barcode(...),
                Rule::unique('items', 'barcode')->ignore($item instanceof Item ? $item->id : null),
            ],
            'description' => ['required', 'string', 'max:160'],
            'department_id' => ['required', 'integer', 'exists:departments,id'],
            'unit' => ['required', Rule::enum(Unit::class)],
            'price_per' => ['required', 'integer', 'in:1,100,1000'],
            'list_price' => ['required', 'string', $this->decimal(...)],
            'floor_price' => ['nullable', 'string', $this->decimal(...)],
            'cost' => ['required', 'string', $this->decimal(...)],
            'weight' => ['nullable', 'string', $this->weight(...)],
            'content' => ['nullable', 'string', $this->decimal(...)],
            'content_unit' => ['nullable', Rule::enum(ContentUnit::class)],
            'shelf' => ['nullable', 'string', 'max:40'],
            'tax_class' => ['required', 'exists:tax_classes,code'],
            'may_discount' => ['boolean'],
            'net_price' => ['boolean'],
            'active' => ['boolean'],
            'has_serials' => ['boolean'],
            'divisible' => ['boolean'],
            'return_policy_id' => ['nullable', 'integer', 'exists:return_policies,id'],
            'clerk_words' => ['nullable', 'string', 'max:500'],
            'belongings.*' => [
                'nullable',
                'string',
                'different:code',
                Rule::exists('items', 'code'),
            ],
            'breaks.*.from_quantity' => ['nullable', 'required_with:breaks.*.price', 'string', $this->decimal(...)],
            'breaks.*.price' => ['nullable', 'required_with:breaks.*.from_quantity', 'string', $this->decimal(...)],
            'promotions.*.name' => ['nullable', 'required_with:promotions.*.price', 'string', 'max:100'],
            'promotions.*.price' => ['nullable', 'required_with:promotions.*.name', 'string', $this->decimal(...)],
            'promotions.*.from_date' => ['nullable', 'date_format:Y-m-d'],
            'promotions.*.until_date' => ['nullable', 'date_format:Y-m-d', 'after_or_equal:promotions.*.from_date'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'belongings.*.exists' => 'No item has this code.',
            'belongings.*.different' => 'An item cannot go with itself.',
            'code.required' => 'Give the item a code.',
            'code.unique' => 'Another item has this code.',
            'code.regex' => 'A code has letters, digits and signs, but no spaces.',
            'barcode.unique' => 'Another item has this barcode.',
            'description.required' => 'Say what it is.',
            'list_price.required' => 'An item needs a list price.',
            'cost.required' => 'Type the cost; 0 if there is none.',
            'breaks.*.from_quantity.required_with' => 'From how many does this price hold?',
            'breaks.*.price.required_with' => 'Type the price from this quantity on.',
            'promotions.*.name.required_with' => 'Give the promotion a name.',
            'promotions.*.price.required_with' => 'Type the promotion’s price.',
            'promotions.*.until_date.after_or_equal' => 'A promotion cannot end before it starts.',
        ];
    }

    public function draft(): ItemDraft
    {
        $number = fn (mixed $typed): string => TypedNumber::plain(is_string($typed) ? $typed : '');
        $filled = static fn (string $key): Closure => static fn (mixed $row): bool => is_array($row)
            && ($row[$key] ?? '') !== ''
            && $row[$key] !== null;
        $rows = fn (string $list): array => array_filter((array) $this->input($list, []), $filled('price'));

        return new ItemDraft(
            [
                'code' => $this->string('code')->trim()->value(),
                'barcode' => $this->string('barcode')->trim()->value() ?: null,
                'description' => $this->string('description')->trim()->value(),
                'department_id' => $this->integer('department_id'),
                'unit' => $this->string('unit')->value(),
                'price_per' => $this->integer('price_per'),
                'list_price' => $number($this->input('list_price')),
                'floor_price' => $this->filled('floor_price') ? $number($this->input('floor_price')) : null,
                'cost' => $number($this->input('cost')),
                'tax_class' => $this->string('tax_class')->value(),
                'may_discount' => $this->boolean('may_discount'),
                'net_price' => $this->boolean('net_price'),
                'active' => $this->boolean('active'),
                'has_serials' => $this->boolean('has_serials'),
                'divisible' => $this->boolean('divisible'),
                'clerk_words' => $this->string('clerk_words')->trim()->value(),
                'return_policy_id' => $this->filled('return_policy_id') ? $this->integer('return_policy_id') : null,
                ...$this->has('weight')
                    ? ['weight' => $this->filled('weight') ? $number($this->input('weight')) : '0']
                    : [],
                ...$this->has('content') ? $this->content($number) : [],
                ...$this->has('shelf') ? ['shelf' => $this->string('shelf')->trim()->value()] : [],
            ],
            array_values(
                array_map(
                    static fn (array $row): array => [
                        'from_quantity' => $number($row['from_quantity']),
                        'price' => $number($row['price']),
                    ],
                    $rows('breaks'),
                ),
            ),
            array_values(
                array_map(
                    static fn (array $row): array => [
                        'name' => (string) $row['name'],
                        'price' => $number($row['price']),
                        'from_date' => $row['from_date'] ?? null ?: null,
                        'until_date' => $row['until_date'] ?? null ?: null,
                    ],
                    $rows('promotions'),
                ),
            ),
            ! $this->filled('cost_shown') || $number($this->input('cost')) !== $number($this->input('cost_shown')),
            array_values(array_filter((array) $this->input('belongings', []), is_string(...))),
        );
    }

    /**
     * @param  Closure(mixed): string  $number
     * @return array{content: string|null, content_unit: string}
     */
    private function content(Closure $number): array
    {
        $content = $this->filled('content') ? $number($this->input('content')) : '0';

        return trim($content, '0.') === ''
            ? ['content' => null, 'content_unit' => '']
            : ['content' => $content, 'content_unit' => $this->string('content_unit')->value()];
    }

    /** @param  Closure(string): mixed  $fail */
    private function decimal(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            FourPlaces::read(TypedNumber::plain(is_string($value) ? $value : ''), 'bad_number', 'a number');
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }

    /** @param  Closure(string): mixed  $fail */
    private function weight(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            $plain = TypedNumber::plain(is_string($value) ? trim($value) : '');
            preg_match('/^\d{1,6}(\.\d{1,3})?$/D', $plain) === 1
                || $fail('Type a weight as 12.5, with three places at most.');
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }

    /** @param  Closure(string): mixed  $fail */
    private function barcode(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            Gtin::of(is_string($value) ? trim($value) : '');
        } catch (Refused $refused) {
            $fail($refused->getMessage());
        }
    }
}
