<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Support\KeepsMail;

/** Any mailbox, and what it delivered on record. */
final readonly class KeptMailbox implements Mailbox
{
    public function __construct(private Mailbox $mailbox, private KeepsMail $kept)
    {
    }

    public function deliver(Mail $mail): void
    {
        $this->mailbox->deliver($mail);
        $this->kept->mailed($mail->customer, $mail->to, $mail->subject);
    }
}
