<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use DOMDocument;
use DOMXPath;

/**
 * The business rules of EN 16931-1:2017 (clause 6.4) that an invoice of this shop's kind can break, as assertions over
 * its UBL (CEN/TS 16931-3-2), with the rules' own numbers. The assertions are written from the standard's text as
 * remembered; amounts are compared in whole cents.
 */
final class En16931
{
    /** Rule, for each of these, must hold. */
    private const RULES = [
        ['BR-01', '/i:Invoice', 'string-length(cbc:CustomizationID) > 0'],
        ['BR-02', '/i:Invoice', 'string-length(cbc:ID) > 0'],
        ['BR-03', '/i:Invoice', 'string-length(cbc:IssueDate) = 10'],
        ['BR-04', '/i:Invoice', 'cbc:InvoiceTypeCode = "380"'],
        ['BR-05', '/i:Invoice', 'string-length(cbc:DocumentCurrencyCode) = 3'],
        [
            'BR-06',
            '/i:Invoice',
            'string-length(cac:AccountingSupplierParty/cac:Party/cac:PartyLegalEntity/cbc:RegistrationName) > 0',
        ],
        [
            'BR-07',
            '/i:Invoice',
            'string-length(cac:AccountingCustomerParty/cac:Party/cac:PartyLegalEntity/cbc:RegistrationName) > 0',
        ],
        ['BR-08', '/i:Invoice', 'count(cac:AccountingSupplierParty/cac:Party/cac:PostalAddress) = 1'],
        [
            'BR-09',
            '/i:Invoice',
            'string-length(cac:AccountingSupplierParty/cac:Party/cac:PostalAddress/cac:Country/'
            .'cbc:IdentificationCode) = 2',
        ],
        ['BR-10', '/i:Invoice', 'count(cac:AccountingCustomerParty/cac:Party/cac:PostalAddress) = 1'],
        [
            'BR-11',
            '/i:Invoice',
            'string-length(cac:AccountingCustomerParty/cac:Party/cac:PostalAddress/cac:Country/'
            .'cbc:IdentificationCode) = 2',
        ],
        ['BR-12', '/i:Invoice/cac:LegalMonetaryTotal', 'string-length(cbc:LineExtensionAmount) > 0'],
        ['BR-13', '/i:Invoice/cac:LegalMonetaryTotal', 'string-length(cbc:TaxExclusiveAmount) > 0'],
        ['BR-14', '/i:Invoice/cac:LegalMonetaryTotal', 'string-length(cbc:TaxInclusiveAmount) > 0'],
        ['BR-15', '/i:Invoice/cac:LegalMonetaryTotal', 'string-length(cbc:PayableAmount) > 0'],
        ['BR-16', '/i:Invoice', 'count(cac:InvoiceLine) > 0'],
        ['BR-21', '//cac:InvoiceLine', 'string-length(cbc:ID) > 0'],
        ['BR-22', '//cac:InvoiceLine', 'number(cbc:InvoicedQuantity) > 0'],
        ['BR-23', '//cac:InvoiceLine', 'string-length(cbc:InvoicedQuantity/@unitCode) > 0'],
        ['BR-24', '//cac:InvoiceLine', 'string-length(cbc:LineExtensionAmount) > 0'],
        ['BR-25', '//cac:InvoiceLine', 'string-length(cac:Item/cbc:Name) > 0'],
        ['BR-26', '//cac:InvoiceLine', 'string-length(cac:Price/cbc:PriceAmount) > 0'],
        ['BR-27', '//cac:InvoiceLine', 'number(cac:Price/cbc:PriceAmount) >= 0'],
        ['BR-31', '/i:Invoice/cac:AllowanceCharge', 'string-length(cbc:Amount) > 0'],
        ['BR-32', '/i:Invoice/cac:AllowanceCharge', 'string-length(cac:TaxCategory/cbc:ID) > 0'],
        [
            'BR-33',
            '/i:Invoice/cac:AllowanceCharge',
            'string-length(cbc:AllowanceChargeReason) > 0 or string-length(cbc:AllowanceChargeReasonCode) > 0',
        ],
        ['BR-41', '//cac:InvoiceLine/cac:AllowanceCharge', 'string-length(cbc:Amount) > 0'],
        [
            'BR-42',
            '//cac:InvoiceLine/cac:AllowanceCharge',
            'string-length(cbc:AllowanceChargeReason) > 0 or string-length(cbc:AllowanceChargeReasonCode) > 0',
        ],
        ['BR-45', '//cac:TaxSubtotal', 'string-length(cbc:TaxableAmount) > 0'],
        ['BR-46', '//cac:TaxSubtotal', 'string-length(cbc:TaxAmount) > 0'],
        ['BR-47', '//cac:TaxSubtotal', 'string-length(cac:TaxCategory/cbc:ID) > 0'],
        ['BR-48', '//cac:TaxSubtotal', 'string-length(cac:TaxCategory/cbc:Percent) > 0'],
        ['BR-49', '//cac:PaymentMeans', 'string-length(cbc:PaymentMeansCode) > 0'],
        [
            'BR-CO-04',
            '//cac:InvoiceLine',
            'string-length(cac:Item/cac:ClassifiedTaxCategory[cac:TaxScheme/cbc:ID = "VAT"]/cbc:ID) > 0',
        ],
        [
            'BR-CO-10',
            '/i:Invoice',
            'round(cac:LegalMonetaryTotal/cbc:LineExtensionAmount * 100) = '
            .'round(sum(cac:InvoiceLine/cbc:LineExtensionAmount) * 100)',
        ],
        [
            'BR-CO-11',
            '/i:Invoice',
            'round(sum(cac:LegalMonetaryTotal/cbc:AllowanceTotalAmount) * 100) = '
            .'round(sum(cac:AllowanceCharge[cbc:ChargeIndicator = "false"]/cbc:Amount) * 100)',
        ],
        [
            'BR-CO-13',
            '/i:Invoice/cac:LegalMonetaryTotal',
            'round(cbc:TaxExclusiveAmount * 100) = round((cbc:LineExtensionAmount - sum(cbc:AllowanceTotalAmount) + '
            .'sum(cbc:ChargeTotalAmount)) * 100)',
        ],
        [
            'BR-CO-14',
            '/i:Invoice/cac:TaxTotal',
            'round(cbc:TaxAmount * 100) = round(sum(cac:TaxSubtotal/cbc:TaxAmount) * 100)',
        ],
        [
            'BR-CO-15',
            '/i:Invoice',
            'round(cac:LegalMonetaryTotal/cbc:TaxInclusiveAmount * 100) = '
            .'round((cac:LegalMonetaryTotal/cbc:TaxExclusiveAmount + cac:TaxTotal/cbc:TaxAmount) * 100)',
        ],
        [
            'BR-CO-16',
            '/i:Invoice/cac:LegalMonetaryTotal',
            'round(cbc:PayableAmount * 100) = round((cbc:TaxInclusiveAmount - sum(cbc:PrepaidAmount) + '
            .'sum(cbc:PayableRoundingAmount)) * 100)',
        ],
        // The validation artefacts of the standard allow for rounding here: less than one unit of the currency.
        [
            'BR-CO-17',
            '//cac:TaxSubtotal',
            'cbc:TaxAmount - 1 < round(cbc:TaxableAmount * cac:TaxCategory/cbc:Percent) div 100 and cbc:TaxAmount + 1 '
            .'> round(cbc:TaxableAmount * cac:TaxCategory/cbc:Percent) div 100',
        ],
        ['BR-CO-18', '/i:Invoice', 'count(cac:TaxTotal/cac:TaxSubtotal) > 0'],
        [
            'BR-CO-25',
            '/i:Invoice',
            'number(cac:LegalMonetaryTotal/cbc:PayableAmount) <= 0 or string-length(cbc:DueDate) > 0 or '
            .'string-length(cac:PaymentTerms/cbc:Note) > 0',
        ],
        [
            'BR-CO-26',
            '/i:Invoice/cac:AccountingSupplierParty/cac:Party',
            'string-length(cac:PartyIdentification/cbc:ID) > 0 or string-length(cac:PartyLegalEntity/cbc:CompanyID) > '
            .'0 or string-length(cac:PartyTaxScheme[cac:TaxScheme/cbc:ID = "VAT"]/cbc:CompanyID) > 0',
        ],
        [
            'BR-S-01',
            '/i:Invoice[.//cac:ClassifiedTaxCategory/cbc:ID = "S"]',
            'count(cac:TaxTotal/cac:TaxSubtotal[cac:TaxCategory/cbc:ID = "S"]) > 0',
        ],
        [
            'BR-S-02',
            '/i:Invoice[.//cac:ClassifiedTaxCategory/cbc:ID = "S"]',
            'string-length(cac:AccountingSupplierParty/cac:Party/cac:PartyTaxScheme/cbc:CompanyID) > 0',
        ],
        ['BR-S-05', '//cac:ClassifiedTaxCategory[cbc:ID = "S"]', 'number(cbc:Percent) > 0'],
        ['BR-S-06', '/i:Invoice/cac:AllowanceCharge/cac:TaxCategory[cbc:ID = "S"]', 'number(cbc:Percent) > 0'],
        [
            'BR-S-10',
            '//cac:TaxSubtotal/cac:TaxCategory[cbc:ID = "S"]',
            'not(cbc:TaxExemptionReason) and not(cbc:TaxExemptionReasonCode)',
        ],
        ['BR-Z-05', '//cac:ClassifiedTaxCategory[cbc:ID = "Z"]', 'number(cbc:Percent) = 0'],
        ['BR-Z-09', '//cac:TaxSubtotal[cac:TaxCategory/cbc:ID = "Z"]', 'number(cbc:TaxAmount) = 0'],
        ['BR-Z-10', '//cac:TaxSubtotal/cac:TaxCategory[cbc:ID = "Z"]', 'not(cbc:TaxExemptionReason)'],
        ['BR-E-05', '//cac:ClassifiedTaxCategory[cbc:ID = "E"]', 'number(cbc:Percent) = 0'],
        ['BR-E-09', '//cac:TaxSubtotal[cac:TaxCategory/cbc:ID = "E"]', 'number(cbc:TaxAmount) = 0'],
        ['BR-E-10', '//cac:TaxSubtotal/cac:TaxCategory[cbc:ID = "E"]', 'string-length(cbc:TaxExemptionReason) > 0'],
        ['BR-DEC', '//cbc:*[@currencyID][not(self::cbc:PriceAmount)]', 'string-length(substring-after(., ".")) <= 2'],
    ];

    /** The order of an invoice's children in UBL 2.1 (its schema, clause “Invoice”), as far as they are used. */
    private const ORDER = [
        'CustomizationID', 'ID', 'IssueDate', 'DueDate', 'InvoiceTypeCode', 'Note', 'DocumentCurrencyCode',
        'OrderReference', 'BillingReference', 'ProjectReference', 'AccountingSupplierParty', 'AccountingCustomerParty',
        'PaymentMeans', 'PaymentTerms', 'AllowanceCharge', 'TaxTotal', 'LegalMonetaryTotal', 'InvoiceLine',
    ];

    /** @return list<string> the rules that are broken */
    public static function broken(string $xml): array
    {
        $document = new DOMDocument;
        $document->loadXML($xml);
        $path = new DOMXPath($document);

        foreach (
            [
                'i' => 'Invoice-2',
                'cac' => 'CommonAggregateComponents-2',
                'cbc' => 'CommonBasicComponents-2',
            ] as $prefix => $name
        ) {
            $path->registerNamespace($prefix, "urn:oasis:names:specification:ubl:schema:xsd:{$name}");
        }

        $broken = [];

        foreach (self::RULES as [$rule, $for, $test]) {
            foreach ($path->query($for) ?: [] as $node) {
                $path->evaluate("boolean({$test})", $node) === true || ($broken[] = $rule);
            }
        }

        return array_values(array_unique([...$broken, ...self::perRate($path), ...self::order($path)]));
    }

    /**
     * BR-S-08 and its like: for each category and rate the taxable amount is its lines less its allowances.
     *
     * @return list<string>
     */
    private static function perRate(DOMXPath $path): array
    {
        $broken = [];

        foreach ($path->query('//cac:TaxSubtotal') ?: [] as $subtotal) {
            $code = (string) $path->evaluate('string(cac:TaxCategory/cbc:ID)', $subtotal);
            $rate = (string) $path->evaluate('string(cac:TaxCategory/cbc:Percent)', $subtotal);
            $is = static fn (
                string $category,
            ): string => "[{$category}/cbc:ID = '{$code}' and {$category}/cbc:Percent = '{$rate}']";
            $lines = $path->evaluate(
                'sum(//cac:InvoiceLine'.$is('cac:Item/cac:ClassifiedTaxCategory').'/cbc:LineExtensionAmount)',
            );
            $allowances = $path->evaluate(
                'sum(/i:Invoice/cac:AllowanceCharge'.$is('cac:TaxCategory').'/cbc:Amount)',
            );
            $taxable = $path->evaluate('number(cbc:TaxableAmount)', $subtotal);
            round(100 * ($lines - $allowances)) === round(100 * $taxable) || ($broken[] = "BR-{$code}-08");
        }

        return $broken;
    }

    /** @return list<string> */
    private static function order(DOMXPath $path): array
    {
        $places = [];

        foreach ($path->query('/i:Invoice/*') ?: [] as $child) {
            $places[] = array_search($child->localName, self::ORDER, true);
        }

        $sorted = $places;
        sort($sorted);

        return in_array(false, $places, true) || $places !== $sorted ? ['UBL-ORDER'] : [];
    }
}
