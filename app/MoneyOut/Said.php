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

    /**
     * What a page offers: the gift card that paid, too, where one did.
     *
     * @param  array<string, Money>  $brought by way
     * @return list<TenderKind>
     */
    public static function ways(array $brought): array
    {
        $paidByCard = array_filter(
            array_keys($brought),
            static fn (string|int $way): bool => Way::read($way)?->kind === TenderKind::GiftCard,
        ) !== [];

        return $paidByCard ? [...self::WAYS, TenderKind::GiftCard] : self::WAYS;
    }

    /**
     * @param  bool  $mayFillCards whether it may go back onto a gift card that paid
     *
     * @throws Refused bad_amount, bad_tender, reference_missing, reason_missing
     */
    public static function assert(
        Money $amount,
        TenderKind $way,
        string $reference,
        string $reason,
        bool $mayFillCards = false,
    ): void {
        match (true) {
            ! $amount->isPositive() => throw Refused::because('bad_amount', 'What is handed out is more than nothing.'),
            ! in_array($way, self::WAYS, true) && ! (
                $mayFillCards && $way === TenderKind::GiftCard
            ) => throw Refused::because(
                'bad_tender',
                'It is handed out in cash, to the card it came from, by cheque or by bank transfer.',
            ),
            in_array(
                $way,
                [TenderKind::Cheque, TenderKind::BankTransfer],
                true,
            ) && trim($reference) === '' => throw Refused::because(
                'reference_missing',
                'Type the cheque’s number, or the transfer’s reference.',
            ),
            trim($reason) === '' => throw Refused::because(
                'reason_missing',
                'Say why it is handed out: the reason is kept.',
            ),
            default => null,
        };
    }
}
