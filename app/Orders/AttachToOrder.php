<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Elmstone\Attachments\Attachable;

final class AttachToOrder implements Attachable
{
    public const OF = 'order';

    public function of(): string
    {
        return self::OF;
    }

    public function page(int $id): ?string
    {
        $order = Order::query()->find($id);

        return $order === null ? null : route('orders.show', $order);
    }
}
