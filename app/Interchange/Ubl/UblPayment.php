<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use DOMElement;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;

/** How an invoice in UBL is paid, and by what terms. */
final readonly class UblPayment
{
    public function __construct(private House $house)
    {
    }

    public function write(UblDraft $draft, DOMElement $invoice): void
    {
        $xml = $draft->xml;
        $account = $this->house->shop()->bank_account;
        $code = $this->code($draft, $account !== '');
        $means = $xml->node($invoice, 'PaymentMeans');
        $xml->text($means, 'PaymentMeansCode', $code);

        if ($code === '30') {
            $xml->text($means, 'PaymentID', $draft->document->label);
            $xml->text($xml->node($means, 'PayeeFinancialAccount'), 'ID', $account);
        }

        $settled = $draft->isCredit() ? 'settled at the counter' : 'paid at the counter';
        $terms = $draft->document->terms;
        $xml->text($xml->node($invoice, 'PaymentTerms'), 'Note', $terms === '' ? $settled : $terms);
    }

    /**
     * UNCL 4461: 10 in cash, 20 cheque, 30 credit transfer, 48 bank card, 97 clearing between partners, 1 not defined.
     * What is still owed is to be transferred to the shop's account; what a credit note leaves on the customer's
     * account is cleared against what they owe.
     */
    private function code(UblDraft $draft, bool $hasAccount): string
    {
        $kinds = $draft->document->tenders->pluck('kind');
        $kind = $kinds->contains(TenderKind::HouseAccount) ? TenderKind::HouseAccount : $kinds->first();
        $transfer = $hasAccount && ! $draft->isCredit() ? '30' : '1';

        return match ($kind) {
            TenderKind::Cash => '10',
            TenderKind::Cheque => '20',
            TenderKind::Card => '48',
            TenderKind::HouseAccount => $draft->isCredit() ? '97' : $transfer,
            TenderKind::BankTransfer => $transfer,
            default => '1',
        };
    }
}
