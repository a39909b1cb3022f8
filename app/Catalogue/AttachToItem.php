<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Attachments\Attachable;

final class AttachToItem implements Attachable
{
    public const OF = 'item';

    public function of(): string
    {
        return self::OF;
    }

    public function page(int $id): ?string
    {
        $item = Item::query()->find($id);

        return $item === null ? null : route('items.show', $item);
    }
}
