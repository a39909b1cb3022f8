<?php

declare(strict_types=1);

namespace Elmstone\Devices\Real;

use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\MailRefused;
use Elmstone\Shop\House;
use Illuminate\Contracts\Mail\Factory;
use Illuminate\Mail\Message;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mime\Exception\RfcComplianceException;

/**
 * Mail by SMTP (RFC 5321), through the framework’s mailer. What the server cannot take now is tried again by whoever
 * sent it; what it will never take is said so once.
 */
final readonly class SmtpMailbox implements Mailbox
{
    /** Replies that say for ever (RFC 5321, 4.2.1), of those that are about a mail: no such mailbox, not allowed. */
    private const FOR_EVER = [550, 551, 552, 553, 554];

    public function __construct(private Factory $mailers, private House $house)
    {
    }

    public function deliver(Mail $mail): void
    {
        try {
            $this->mailers->mailer('smtp')->raw($mail->body, fn (Message $message) => $this->address($message, $mail));
        } catch (RfcComplianceException) {
            throw new MailRefused("“{$mail->to}” is no mail address.");
        } catch (TransportExceptionInterface $failure) {
            throw in_array($failure->getCode(), self::FOR_EVER, true)
                ? new MailRefused("The mail server does not take it: {$this->reply($failure->getMessage())}")
                : new DeviceFailed("The mail server does not take it now: {$this->reply($failure->getMessage())}");
        }
    }

    private function address(Message $message, Mail $mail): void
    {
        $shop = $this->house->shop();
        $from = $shop->mail_address !== '' ? $shop->mail_address : config('mail.from.address');
        $message->to($mail->to)->subject($mail->subject);
        $message->from(is_string($from) ? $from : '', $shop->mail_name !== '' ? $shop->mail_name : $shop->name);
        $shop->mail_reply_to === '' || $message->replyTo($shop->mail_reply_to);
        $mail->attachment === '' || $message->attachData($mail->attachment, $mail->attachmentName);
    }

    private function reply(string $message): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/', ' ', $message)), 0, 160);
    }
}
