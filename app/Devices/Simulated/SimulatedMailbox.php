<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Illuminate\Support\Facades\DB;

/** Keeps what was sent, for the devices page to show. */
final class SimulatedMailbox implements Mailbox
{
    public function deliver(Mail $mail): void
    {
        DB::table('sent_mails')->insert([
            'recipient' => $mail->to,
            'subject' => $mail->subject,
            'body' => $mail->body,
            'attachment_name' => $mail->attachmentName,
            'attachment' => $mail->attachment,
        ]);
    }
}
