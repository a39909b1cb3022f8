<?php

declare(strict_types=1);

use Elmstone\Books\LineColumns;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The working paper of the counter. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('slips', static function (Blueprint $table): void {
            $table->id();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->comment('also the idempotency key of '
                .'what it becomes');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('till_id')->nullable()->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            LineColumns::seller($table);
            $table->foreignId('customer_id')->nullable()->constrained();
            $table->string('state', 10)->default('open');
            $table->string('becomes', 10)->default('sale')->comment('sale, layaway, order, quote');
            $table->unsignedInteger('version')->default(1);
            $table->string('customer_name')->default('');
            $table->date('business_date')->nullable()->comment('null: the day it is posted');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->string('title')->default('')->comment('for its tab: the customer or the first line');
            $table->bigInteger('total')->default(0)->comment('for its tab: what it came to when it was last touched');
            $table->bigInteger('cash')->nullable()->comment('counted so far');
            $table->bigInteger('cheque')->nullable();
            $table->string('cheque_number', 30)->default('');
            $table->string('paper', 10)->default('print');
            $table->string('mail_to')->default('');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->timestamps(3);
            $table->foreignId('contact_id')->nullable()->constrained();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->bigInteger('charge')->nullable()->comment('to the house account');
            $table->bigInteger('on_account')->nullable()->comment('paid towards the house account with it');
            $table->boolean('leaves_discount')->default(false)->comment('who pays towards the account pays in full: '
                .'no settlement discount');
            $table->foreignId('plan_id')->nullable()->constrained();
            $table->foreignId('receipt_id')->nullable()->constrained('documents');
            $table->bigInteger('deposit_in')->nullable()->comment('a deposit taken with it');
            $table->string('deposit_for', 60)->default('');
            $table->bigInteger('deposit_used')->nullable()->comment('of the deposits held, towards what is due');
            $table->foreignId('agreement_id')->nullable()->constrained();
            $table->foreignId('quote_id')->nullable()->comment('taken up with it, or changed by it')
                ->constrained('agreements');
            $table->boolean('has_parts')->default(false)->comment('whether there are rows in slip_parts');
            $table->json('back')->nullable()->comment('what goes back by which way, minor units; null: nothing comes '
                .'back');
            $table->string('back_reference', 60)->default('')->comment('of the shop’s cheque or transfer');
            $table->char('back_card', 48)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->string('credit_to', 10)->default('unused')->comment('what goes to the account beyond its '
                .'invoice: unused or oldest');
            $table->bigInteger('store_credit_used')->nullable();
            $table->foreignId('credit_note_id')->nullable()->constrained('documents');
            $table->foreignId('void_of_id')->nullable()->constrained('documents');
            $table->json('back_other')->nullable()->comment('money ways opened that nothing came in by');
            $table->string('note', 120)->default('')->comment('why it waits, for whoever takes it up again');
            $table->string('undo')->default('')->comment('in words, what would be taken back next; empty: nothing');
            $table->json('unknown')->nullable()->comment('what was scanned, is in no list and waits for somebody');
            $table->json('after_card')->nullable()->comment('what was taken off or changed after a card had paid');
            $table->json('on_items')->nullable()
                ->comment('open items that what is paid towards the account meets first');
            $table->boolean('own_terms')->default(false)->comment('whether something of the next four is its own');
            $table->string('own_certificate', 40)->nullable()->comment('exempt from all tax by it; null: not');
            $table->foreignId('own_level_id')->nullable()->comment('price level')->constrained('price_levels');
            $table->foreignId('own_place_id')->nullable()->comment('where it is taxed')->constrained('tax_profiles');
            $table->string('own_reason', 120)->default('')->comment('why');
            $table->unique('key');
            $table->index(['location_id', 'state']);
        });

        Schema::create('slip_parts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 10)->comment('layaway, coupon, card_sold, card_used');
            $table->unsignedSmallInteger('position');
            $table->foreignId('agreement_id')->nullable()->constrained();
            $table->foreignId('coupon_id')->nullable()->constrained();
            $table->foreignId('gift_card_id')->nullable()->constrained()->comment('null: a new card');
            $table->bigInteger('amount')->default(0);
            $table->boolean('leaves')->nullable()->comment('whether the goods of a layaway leave; null: not said');
            $table->json('goods')->nullable()->comment('what of an order leaves: quantities and serial numbers');
            $table->char('code', 48)->charset('ascii')->collation('ascii_bin')->default('')
                ->comment('what is kept of a gift card’s number');
            $table->text('number')->default('')->comment('of a new card, encrypted, until it is posted');
            $table->unique(['slip_id', 'kind', 'position']);
        });

        $line = static function (Blueprint $table): void {
            LineColumns::goods($table);
            LineColumns::discount($table);
            LineColumns::seller($table);
            $table->string('price_source')->default('');
            $table->decimal('floor_price', 14, 4)->nullable();
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('note')->default('');
            $table->boolean('standing_discount')->default(false)->comment('the discount is the customer’s own');
            $table->json('serials')->nullable();
            $table->string('way', 10)->nullable()->comment('of an order: how it reaches the customer; null: as all');
            $table->foreignId('from_id')->nullable()->comment('of an order: where it leaves')->constrained('locations');
            $table->decimal('aside', 14, 4)->nullable()->comment('of an order: set aside now; null: what there is');
        };
        Schema::create('slip_lines', static function (Blueprint $table) use ($line): void {
            $table->id();
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $line($table);
            $table->index(['slip_id', 'position']);
        });

        // What was done to a slip and can be taken back, the last first.
        Schema::create('slip_undos', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 10)->comment('line, customer, discount');
            $table->string('words')->comment('what was done');
            $table->foreignId('customer_id')->nullable()->constrained()->comment('whose slip it was');
            $table->foreignId('contact_id')->nullable()->constrained();
            $table->string('purchase_order', 40)->default('');
            $table->string('job', 60)->default('');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
        });
        Schema::create('slip_lines_before', static function (Blueprint $table) use ($line): void {
            $table->foreignId('undo_id')->constrained('slip_undos')->cascadeOnDelete();
            $table->unsignedBigInteger('line_id')->comment('of the line, which may be gone');
            $table->unsignedInteger('position');
            $line($table);
            $table->primary(['undo_id', 'line_id']);
        });

        Schema::create('slip_acts', static function (Blueprint $table): void {
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->comment('one act at the counter, done '
                .'once however often it is sent');
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->char('asked', 64)->charset('ascii')->collation('ascii_bin')->nullable()
                ->comment('the digest of what a page asked');
            $table->primary('key');
        });

        Schema::create('slip_returns', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->foreignId('origin_document_id')->nullable()->constrained('documents');
            $table->unsignedSmallInteger('origin_position')->nullable();
            LineColumns::goods($table);
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('reason', 20);
            $table->string('goods_to', 12);
            $table->string('note')->default('');
            $table->json('serials')->nullable();
            $table->boolean('fee_waived')->default(false);
            $table->boolean('receipt_shown')->default(false)->comment('found by its number, or by card and day');
            $table->index(['slip_id', 'position']);
        });

        Schema::create('slip_promises', static function (Blueprint $table): void {
            $table->foreignId('slip_id')->primary()->constrained()->cascadeOnDelete();
            $table->string('source', 10)->default('counter');
            $table->boolean('is_charged')->default(false);
            $table->string('way', 10)->default('collect');
            $table->foreignId('from_id')->nullable()->constrained('locations');
            $table->date('wanted_on')->nullable();
            $table->string('wanted_when', 10)->default('');
            $table->string('deliver_to', 300)->default('');
            $table->string('note', 255)->default('');
            $table->bigInteger('deposit')->default(0);
            $table->date('valid_until')->nullable();
            $table->date('follow_up_on')->nullable();
            $table->string('party', 120)->default('');
            $table->mediumText('signature')->nullable();
            $table->string('signed_by', 120)->default('');
            $table->char('signed_for', 40)->charset('ascii')->default('');
        });

        Schema::create('slip_holds', static function (Blueprint $table): void {
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->bigInteger('deposit');
            $table->unsignedSmallInteger('count');
            $table->string('rhythm', 10);
            $table->date('first_due');
            $table->date('expires_on');
            $table->unsignedSmallInteger('grace_days');
            $table->json('terms');
            $table->mediumText('signature')->nullable();
            $table->string('signed_by', 120)->default('');
            $table->char('signed_for', 40)->charset('ascii')->default('')->comment('digest of what was signed');
            $table->primary('slip_id');
        });

        Schema::table(
            'approvals',
            static fn (Blueprint $table) => $table->foreign('slip_id')->references('id')->on('slips'),
        );
    }
};
