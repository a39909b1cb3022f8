<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Ubl;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Carbon\CarbonImmutable;
use DOMElement;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\TypedDate;
use Elmstone\WebOrders\IncomingLine;
use Elmstone\WebOrders\IncomingOrder;

/**
 * Reads a UBL 2.1 Order. Prices are as the shop states its own: with tax where its prices have tax in them. Who buys is
 * named by the number the shop gave them (SupplierAssignedAccountID, else the first PartyIdentification), goods by the
 * shop's code (SellersItemIdentification), else their barcode (StandardItemIdentification).
 */
final class ReadOrder
{
    public const MOST_LINES = 1000;

    /** Bytes. */
    public const LARGEST = 4_000_000;

    /** No line comes to more, whatever the currency. */
    private const DEAREST = 10_000_000_000;

    private const ADDRESS = ['StreetName', 'AdditionalStreetName', 'PostalZone', 'CityName', 'CountrySubentity'];

    /**
     * @throws Refused too_large, not_xml, document_type, wrong_document, missing, bad_number, bad_day, too_many_lines
     */
    public static function of(string $xml): IncomingOrder
    {
        strlen($xml) <= self::LARGEST || throw Refused::because('too_large', 'An order is at most 4 MB.');
        $ubl = UblReader::of($xml, 'Order');
        $lines = $ubl->all('cac:OrderLine/cac:LineItem');
        $number = $ubl->text('cbc:ID');
        match (true) {
            $number === '' => throw Refused::because('missing', 'The order has no number (ID).'),
            mb_strlen($number) > 60 => throw Refused::because('missing', 'Its number is longer than 60 characters.'),
            $lines === [] => throw Refused::because('missing', "Order {$number} has no lines."),
            count($lines) > self::MOST_LINES => throw Refused::because(
                'too_many_lines',
                "Order {$number} has ".count($lines).' lines; one order takes at most '.self::MOST_LINES
                    .'. Send it as several.',
            ),
            default => null,
        };
        $party = $ubl->first('cac:BuyerCustomerParty/cac:Party');

        return new IncomingOrder(
            $number,
            $ubl->text('cbc:DocumentCurrencyCode', null, 3),
            self::either(
                $ubl->text('cac:BuyerCustomerParty/cbc:SupplierAssignedAccountID', null, 40),
                $ubl->text('cac:PartyIdentification/cbc:ID', $party, 40),
            ),
            self::either(
                $ubl->text('cac:PartyName/cbc:Name', $party, 120),
                $ubl->text('cac:PartyLegalEntity/cbc:RegistrationName', $party, 120),
            ),
            $ubl->text('cac:Contact/cbc:ElectronicMail', $party, 120),
            $ubl->text('cac:Contact/cbc:Name', $party, 120),
            $ubl->text('cbc:CustomerReference', null, 40),
            $ubl->text('cbc:Note'),
            self::address($ubl),
            self::wanted($ubl),
            self::charges($ubl, 'true'),
            self::charges($ubl, 'false'),
            $ubl->decimal('cac:AnticipatedMonetaryTotal/cbc:LineExtensionAmount'),
            array_map(static fn (DOMElement $line): IncomingLine => self::line($ubl, $line), $lines),
        );
    }

    private static function line(UblReader $ubl, DOMElement $line): IncomingLine
    {
        $read = new IncomingLine(
            $ubl->text('cbc:ID', $line, 40),
            $ubl->text('cac:Item/cac:SellersItemIdentification/cbc:ID', $line, 40),
            $ubl->text('cac:Item/cac:StandardItemIdentification/cbc:ID', $line, 40),
            self::either(
                $ubl->text('cac:Item/cbc:Name', $line, 160),
                $ubl->text('cac:Item/cbc:Description', $line, 160),
            ),
            $ubl->decimal('cbc:Quantity', $line) ?? BigDecimal::zero(),
            strtoupper($ubl->first('cbc:Quantity', $line)?->getAttribute('unitCode') ?? ''),
            $ubl->decimal('cac:Price/cbc:PriceAmount', $line),
            self::base($ubl, $line),
            $ubl->text('cbc:Note', $line),
        );
        $worth = BigRational::of($read->quantity)->multipliedBy($read->price ?? 0)->dividedBy($read->priceOf);

        return $worth->abs()->isLessThan(self::DEAREST) ? $read : throw Refused::because(
            'bad_number',
            "Line {$read->id} comes to more than a line can: look at its quantity and its price.",
        );
    }

    /** @throws Refused bad_number */
    private static function base(UblReader $ubl, DOMElement $line): BigDecimal
    {
        $base = $ubl->decimal('cac:Price/cbc:BaseQuantity', $line) ?? BigDecimal::one();

        return $base->isPositive()
            ? $base
            : throw Refused::because('bad_number', 'A price is of more than nothing (BaseQuantity).');
    }

    private static function charges(UblReader $ubl, string $isCharge): ?BigDecimal
    {
        $sum = null;

        foreach ($ubl->all('cac:AllowanceCharge') as $one) {
            $amount = $ubl->text('cbc:ChargeIndicator', $one) === $isCharge ? $ubl->decimal('cbc:Amount', $one) : null;
            $amount === null || ($sum = $amount->plus($sum ?? BigDecimal::zero()));
        }

        return $sum;
    }

    /** Where the goods go, on one line; empty: nobody said. */
    private static function address(UblReader $ubl): string
    {
        $node = $ubl->first('cac:Delivery/cac:DeliveryLocation/cac:Address')
            ?? $ubl->first('cac:Delivery/cac:DeliveryAddress');

        if ($node === null) {
            return '';
        }

        $parts = array_map(static fn (string $part): string => $ubl->text("cbc:{$part}", $node, 80), self::ADDRESS);

        return implode(', ', array_filter($parts, static fn (string $part): bool => $part !== ''));
    }

    /** @throws Refused bad_day */
    private static function wanted(UblReader $ubl): ?CarbonImmutable
    {
        $day = self::either(
            $ubl->text('cac:Delivery/cac:RequestedDeliveryPeriod/cbc:EndDate', null, 10),
            $ubl->text('cac:Delivery/cac:RequestedDeliveryPeriod/cbc:StartDate', null, 10),
        );

        return $day === ''
            ? null
            : TypedDate::of($day) ?? throw Refused::because('bad_day', "“{$day}” is no day.");
    }

    private static function either(string $one, string $other): string
    {
        return $one !== '' ? $one : $other;
    }
}
