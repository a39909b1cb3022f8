<?php

declare(strict_types=1);

namespace Elmstone\Customers\Personal;

use Carbon\CarbonImmutable;
use Elmstone\Attachments\Attachment;
use Elmstone\Attachments\KeepAttachments;
use Elmstone\Books\Document;
use Elmstone\Customers\AttachToCustomer;
use Elmstone\Staff\Staff;
use Elmstone\Support\PersonalData;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Support\Facades\DB;
use LogicException;
use stdClass;

/** Who they are, how they are reached, what was noted about them, what was mailed to them. */
final readonly class CustomerData implements PersonalData
{
    private const TABLES = [
        'contacts', 'customer_addresses', 'customer_notes', 'customer_tags', 'contract_prices', 'mail_history',
        'customer_changes',
    ];

    /** Tables whose rows are of nobody else’s interest. */
    private const ERASED = [
        'customer_addresses', 'customer_notes', 'customer_tags', 'certificate_scans', 'mail_history',
    ];

    public function __construct(private KeepAttachments $attachments, private Factory $auth)
    {
    }

    public function hinders(int $customer): ?string
    {
        return DB::table('customers')->where('merged_into_id', $customer)->exists()
            ? 'Others were merged into them, and are the same person: theirs is erased with it once they are one.'
            : null;
    }

    public function shows(int $customer): array
    {
        $shown = ['customer' => self::rows(DB::table('customers')->where('id', $customer)->get()->all())];

        foreach (self::TABLES as $table) {
            $shown[$table] = self::rows(DB::table($table)->where('customer_id', $customer)->get()->all());
        }

        $shown['documents'] = array_values(Document::query()
            ->where('customer_id', $customer)
            ->orderBy('id')
            ->get()
            ->map(static fn (Document $document): array => [
                'number' => $document->label,
                'date' => $document->business_date->format('Y-m-d'),
                'name on it' => $document->customer_name,
                'total' => $document->total->toString(),
            ])
            ->all());

        return $shown;
    }

    public function erase(int $customer): void
    {
        $by = $this->auth->guard()->user();
        $by instanceof Staff || throw new LogicException('Somebody who is signed in erases it.');

        foreach (Attachment::query()->where('of', AttachToCustomer::OF)->where('of_id', $customer)->get() as $paper) {
            $this->attachments->remove($paper, $by);
            $paper->update(['name' => 'erased']);
        }

        foreach (self::ERASED as $table) {
            DB::table($table)->where('customer_id', $customer)->delete();
        }

        // People who bought for them stand by their id on slips: they stay without a name.
        DB::table('contacts')->where('customer_id', $customer)
            ->update(['name' => 'Erased', 'phone' => '', 'mail' => '', 'active' => false]);
        DB::table('customers')->where('id', $customer)->update([
            'name' => 'Erased', 'phone' => '', 'phone_digits' => '', 'mail' => '', 'street' => '', 'postcode' => '',
            'town' => '', 'tax_number' => '', 'exempt' => null, 'certificate' => '', 'certificate_expires' => null,
            'name_key' => '', 'search' => '', 'erased_at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v'),
            'version' => DB::raw('version + 1'),
        ]);
        // The database lets go of what was changed about somebody only once they are erased.
        DB::table('customer_changes')->where('customer_id', $customer)->update(['before' => '', 'after' => '']);
    }

    /**
     * @param  array<mixed>  $rows
     * @return list<array<string, mixed>>
     */
    private static function rows(array $rows): array
    {
        return array_values(array_map(
            static fn (mixed $row): array => array_diff_key(
                $row instanceof stdClass ? get_object_vars($row) : [],
                ['id' => true, 'customer_id' => true, 'name_key' => true, 'search' => true, 'phone_digits' => true],
            ),
            $rows,
        ));
    }
}
