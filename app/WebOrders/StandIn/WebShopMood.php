<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\StandIn;

/** What the played web shop gets right or wrong. */
enum WebShopMood: string
{
    case Right = 'right';
    case UnknownCode = 'unknown_code';
    case OtherPrice = 'other_price';
    case OtherCurrency = 'other_currency';
    case UnknownBuyer = 'unknown_buyer';
    case PastDay = 'past_day';
    case WrongSum = 'wrong_sum';
    case Again = 'again';
    case SameNumber = 'same_number';
    case DocumentType = 'document_type';
    case TooLong = 'too_long';
    case WrongToken = 'wrong_token';

    public function words(): string
    {
        return match ($this) {
            self::Right => 'gets everything right',
            self::UnknownCode => 'names a code nobody knows',
            self::OtherPrice => 'has another price than we',
            self::OtherCurrency => 'sells in another currency',
            self::UnknownBuyer => 'names a customer nobody knows',
            self::PastDay => 'wants it yesterday',
            self::WrongSum => 'adds up wrongly',
            self::Again => 'sends its last order again',
            self::SameNumber => 'sends something else under its last number',
            self::DocumentType => 'puts a document type declaration before it',
            self::TooLong => 'sends 5,000 lines',
            self::WrongToken => 'has a wrong token',
        };
    }
}
