<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Support\RoomProvider;

/** Files in and out. */
final class InterchangeProvider extends RoomProvider
{
}
