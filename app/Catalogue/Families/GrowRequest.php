<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Support\Http\SaysAtItsField;
use Illuminate\Foundation\Http\FormRequest;

/** More values of a property, as they were typed. */
final class GrowRequest extends FormRequest
{
    use SaysAtItsField;

    private const FIELDS = ['nothing_chosen' => 'values', 'too_many_cells' => 'values', 'twice' => 'values'];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer'],
            'axis' => ['required', 'in:1,2'],
            'values' => ['required', 'string', 'max:40000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['values.required' => 'Type at least one value.'];
    }

    /** @return 1|2 */
    public function axis(): int
    {
        return $this->integer('axis') === 2 ? 2 : 1;
    }

    /** @return list<string> */
    public function values(): array
    {
        return ValuesTyped::read($this->string('values')->value());
    }
}
