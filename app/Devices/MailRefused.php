<?php

declare(strict_types=1);

namespace Elmstone\Devices;

/** The mail server will never take it: there is no such address, or it wants none from us. It is not tried again. */
final class MailRefused extends DeviceFailed
{
}
