<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Attachments\Attachable;

final class AttachToCustomer implements Attachable
{
    public const OF = 'customer';

    public function of(): string
    {
        return self::OF;
    }

    public function page(int $id): ?string
    {
        $customer = Customer::query()->find($id);

        return $customer === null ? null : route('customers.show', $customer);
    }
}
