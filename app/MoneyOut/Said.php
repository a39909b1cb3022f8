<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;

/** What must be said whenever money that is owed to a customer is handed out in the office. */
final class Said
{
    public const WAYS = [TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer];

    /** @throws Refused bad_amount, bad_tender, reference_missing, reason_missing */
    public static function assert(Money $amount, TenderKind $way, string $reference, string $reason): void
    {
        match (true) {
            ! $amount->isPositive() => throw Refused::because('bad_amount', 'What is handed out is more than nothing.'),
            ! in_array($way, [...self::WAYS, TenderKind::GiftCard], true) => throw Refused::because('bad_tender', 'It is handed out in cash, to the card it came from, by cheque or by bank transfer.'),
            in_array($way, [TenderKind::Cheque, TenderKind::BankTransfer], true) && trim($reference) === '' => throw Refused::because('reference_missing', 'Type the cheque’s number, or the transfer’s reference.'),
            trim($reason) === '' => throw Refused::because('reason_missing', 'Say why it is handed out: the reason is kept.'),
            default => null,
        };
    }
}
