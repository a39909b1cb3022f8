<?php

declare(strict_types=1);

namespace Elmstone\Support\Database\Cluster;

use RuntimeException;

/** It is another node's turn to be written to. */
final class NotTheWriter extends RuntimeException
{
}
