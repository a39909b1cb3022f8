<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** What a document is for; with it goes how its journal is made up. */
enum Purpose: string
{
    case Sale = 'sale';
    case Payment = 'payment';
    case ReturnedPayment = 'returned_payment';
    case FinanceCharge = 'finance_charge';

    public function title(DocumentKind $kind): string
    {
        return match ($this) {
            self::Sale => $kind->title(),
            self::Payment => 'Receipt',
            self::ReturnedPayment => 'Returned payment',
            self::FinanceCharge => 'Finance charge',
        };
    }
}
