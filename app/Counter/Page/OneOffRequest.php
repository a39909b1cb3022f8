<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Refused;
use Elmstone\Purchasing\Suppliers\Supplier;
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

    /**
     * Whose it is until it is sold: an owner of goods, by their code, at the share they have of everything.
     *
     * @return Consigned|null null: the house's
     *
     * @throws Refused no_such_owner
     */
    public function consigned(): ?Consigned
    {
        $code = $this->string('owner')->trim()->value();
        $owner = $code === '' ? null : Supplier::query()->where('code', $code)->whereNotNull('owner_percent')->first();

        return match (true) {
            $code === '' => null,
            $owner === null => throw Refused::because('no_such_owner', "No owner of goods has the code “{$code}”."),
            default => new Consigned($owner->id, OwnerShare::percent((string) $owner->owner_percent)),
        };
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
