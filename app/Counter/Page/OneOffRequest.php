<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Refused;
use Illuminate\Foundation\Http\FormRequest;

/** A line for something that is not in the list. What is wrong with it is said on the counter page, not on another. */
final class OneOffRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'department_id' => ['required', 'integer', 'exists:departments,id'],
            'tax_class' => ['required', 'exists:tax_classes,code'],
        ];
    }

    /** @throws Refused no_description */
    public function description(): string
    {
        $description = $this->string('description')->trim()->value();

        return $description === ''
            ? throw Refused::because('no_description', 'Say what it is.')
            : mb_substr($description, 0, 160);
    }
}
