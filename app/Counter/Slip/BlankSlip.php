<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Shop\Till;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Database\Eloquent\Collection;

/** A slip that lies ready and is not written down before its first line. */
final class BlankSlip
{
    public static function of(string $key, Till $till, int $staffId): Slip
    {
        $slip = new Slip([
            'key' => $key,
            'location_id' => $till->location_id,
            'till_id' => $till->id,
            'staff_id' => $staffId,
            'sharing_id' => null,
            'state' => SlipState::Open,
            'becomes' => Becomes::Sale,
            'version' => 0,
            'customer_name' => '',
            'business_date' => null,
            'discount_percent' => null,
            'discount_amount' => null,
            'title' => '',
            'total' => MoneyCast::read(0),
            'cash' => null,
            'cheque' => null,
            'cheque_number' => '',
            'paper' => PaperWay::Print,
            'mail_to' => '',
            'document_id' => null,
            'customer_id' => null,
            'contact_id' => null,
            'purchase_order' => '',
            'job' => '',
            'charge' => null,
            'on_account' => null,
            'leaves_discount' => false,
            'plan_id' => null,
            'receipt_id' => null,
            'deposit_in' => null,
            'deposit_for' => '',
            'deposit_used' => null,
            'has_parts' => false,
            'agreement_id' => null,
            'quote_id' => null,
            'back' => null,
            'back_other' => null,
            'back_reference' => '',
            'back_card' => null,
            'credit_to' => 'unused',
            'store_credit_used' => null,
            'credit_note_id' => null,
            'void_of_id' => null,
            'unknown' => null,
            'undo' => '',
            'note' => '',
        ]);
        $slip->couponsShown = new Collection;
        $slip->setRelations([
            'lines' => new Collection,
            'returns' => new Collection,
            'creditNote' => null,
            'cards' => new Collection,
            'document' => null,
            'receipt' => null,
            'customer' => null,
            'contact' => null,
            'hold' => null,
            'promise' => null,
            'heldAs' => null,
            'order' => null,
            'quote' => null,
            'takesUp' => null,
            'location' => $till->location,
            'till' => $till,
        ]);

        return $slip;
    }
}
