<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use RuntimeException;

/** Stands for a process that dies between two statements. */
final class Killed extends RuntimeException
{
}
