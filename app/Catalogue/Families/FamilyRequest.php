<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Closure;
use Elmstone\Catalogue\Unit;
use Elmstone\Core\Money\FourPlaces;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A new family as it was typed. */
final class FamilyRequest extends FormRequest
{
    use SaysAtItsField;

    private const FIELDS = ['too_many_cells' => 'first_values'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'code' => ['required', 'string', 'max:12', 'regex:/^[A-Za-z0-9]+$/', Rule::unique('families', 'code')],
            'name' => ['required', 'string', 'max:100'],
            'department_id' => ['required', 'integer', 'exists:departments,id'],
            'unit' => ['required', Rule::enum(Unit::class)],
            'price_per' => ['required', 'integer', 'in:1,100,1000'],
            'list_price' => ['required', 'string', $this->decimal(...)],
            'cost' => ['nullable', 'string', $this->decimal(...)],
            'tax_class' => ['required', 'exists:tax_classes,code'],
            'first' => ['required', 'string', 'max:40'],
            'first_values' => ['required', 'string', 'max:40000'],
            'second' => ['nullable', 'string', 'max:40', 'required_with:second_values'],
            'second_values' => ['nullable', 'string', 'max:40000', 'required_with:second'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'code.required' => 'What do the codes of its items begin with?',
            'code.unique' => 'Another family has this code.',
            'code.regex' => 'Letters and digits only.',
            'name.required' => 'Say what it is.',
            'list_price.required' => 'Type the price of one; cells can have others later.',
            'first.required' => 'What do its items differ in?',
            'first_values.required' => 'Type the values, with commas between them.',
            'second.required_with' => 'What are these values of?',
            'second_values.required_with' => 'Type the values, with commas between them.',
        ];
    }

    public function draft(): FamilyDraft
    {
        $number = fn (string $field): string => $this->filled($field)
            ? TypedNumber::plain($this->string($field)->value())
            : '0';

        return new FamilyDraft(
            strtoupper($this->string('code')->trim()->value()),
            $this->string('name')->trim()->value(),
            $this->integer('department_id'),
            $this->string('first')->trim()->value(),
            ValuesTyped::read($this->string('first_values')->value()),
            $this->string('second')->trim()->value(),
            ValuesTyped::read($this->string('second_values')->value()),
            [
                'unit' => $this->string('unit')->value(),
                'price_per' => $this->integer('price_per'),
                'list_price' => $number('list_price'),
                'cost' => $number('cost'),
                'tax_class' => $this->string('tax_class')->value(),
            ],
        );
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
}
