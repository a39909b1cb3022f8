<?php

declare(strict_types=1);

namespace Elmstone\Devices;

interface Mailbox
{
    public function deliver(Mail $mail): void;
}
