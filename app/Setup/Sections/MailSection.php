<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Setup\Field;
use Elmstone\Setup\FieldsSection;
use Override;

/** Whom mails come from. The server they go by is the machine’s to know (MAIL_HOST). */
final class MailSection extends FieldsSection
{
    private const ADDRESS = '/^[^@\s]+@[^@\s]+\.[^@\s]+$/D';

    #[Override]
    public function key(): string
    {
        return 'mail';
    }

    #[Override]
    public function title(): string
    {
        return 'Mail';
    }

    #[Override]
    public function purpose(): string
    {
        return 'Whom papers and statements come from. The mail server is named where the machine is set up '
            .'(MAIL_HOST); what it cannot take is tried again, and what does not arrive is noted with the customer.';
    }

    #[Override]
    public function fields(): array
    {
        $like = 'A mail address, as office@shop.example.';

        return [
            Field::text('mail_name', 'Sender’s name', 120)->hint('empty: the shop’s'),
            Field::text('mail_address', 'Sender’s address')->like(self::ADDRESS, $like),
            Field::text('mail_reply_to', 'Answers go to')->like(self::ADDRESS, $like)->hint('empty: the sender'),
        ];
    }
}
