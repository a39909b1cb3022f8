<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Support\RoomProvider;

/** Items and their prices. */
final class CatalogueProvider extends RoomProvider
{
}
