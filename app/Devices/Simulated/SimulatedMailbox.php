<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Illuminate\Support\Facades\DB;

/** Keeps what was sent, for the devices page to show. */
final class SimulatedMailbox implements Mailbox
{
    public const DEVICE = 'mailbox';

    /** There is one for all tills. */
    public static function isAway(): bool
    {
        return DB::table('simulated_devices')
            ->where('device', self::DEVICE)
            ->pluck('state')
            ->contains(static fn (mixed $state): bool => is_string($state) && str_contains($state, 'true'));
    }

    public function deliver(Mail $mail): void
    {
        if (self::isAway()) {
            throw new DeviceFailed('The mail server does not answer.');
        }

        DB::table('sent_mails')->insert([
            'recipient' => $mail->to,
            'subject' => $mail->subject,
            'body' => $mail->body,
            'attachment_name' => $mail->attachmentName,
            'attachment' => $mail->attachment,
        ]);
    }
}
