<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Refused;
use Illuminate\Foundation\Http\FormRequest;

/** A customer typed in at the counter. */
final class NewCustomerRequest extends FormRequest
{
    /** @throws Refused no_name, bad_mail */
    public function assertFine(): void
    {
        $fields = $this->fields();

        if ($fields['name'] === '') {
            throw Refused::because('no_name', 'A name is needed; the rest can wait.');
        }

        if ($fields['mail'] !== '' && filter_var($fields['mail'], FILTER_VALIDATE_EMAIL) === false) {
            throw Refused::because('bad_mail', "“{$fields['mail']}” is not a mail address.");
        }
    }

    /** @return array{name: string, phone: string, mail: string, kind: string, customer_type_id: int|null} */
    public function fields(): array
    {
        $text = fn (string $name, int $most): string => mb_substr($this->string($name)->trim()->value(), 0, $most);

        return [
            'name' => $text('name', 120),
            'phone' => $text('phone', 40),
            'mail' => $text('mail', 160),
            'kind' => $this->string('kind')->value() === 'firm' ? 'firm' : 'person',
            'customer_type_id' => $this->filled('customer_type_id') ? $this->integer('customer_type_id') : null,
        ];
    }
}
