<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use RuntimeException;

/** A printer, drawer or mail server did not do what it was asked. Its message is for people. */
class DeviceFailed extends RuntimeException
{
}
