<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('slips', function (Blueprint $table): void {
            $table->id();
            $table
                ->char('key', 36)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->unique()
                ->comment('also the idempotency key of what it becomes');
            $table->foreignId('location_id')->constrained();
            $table->foreignId('till_id')->nullable()->constrained()->comment('where it lies; null: set aside');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('state', 10)->default('open');
            $table->unsignedInteger('version')->default(1);
            $table->string('customer_name')->default('');
            $table->date('business_date')->nullable()->comment('null: the day it is posted');
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->foreignId('discount_approval_id')->nullable()->constrained('approvals');
            $table->string('title')->default('')->comment('for its tab: the customer or the first line');
            $table->bigInteger('total')->default(0)->comment('for its tab: what it came to when it was last touched');
            $table->bigInteger('cash')->nullable()->comment('counted so far');
            $table->bigInteger('cheque')->nullable();
            $table->string('cheque_number', 30)->default('');
            $table->string('paper', 10)->default('print');
            $table->string('mail_to')->default('');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->timestamps(3);
            $table->index(['location_id', 'state']);
        });

        Schema::create('slip_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->foreignId('item_id')->nullable()->constrained();
            $table->string('code', 24);
            $table->string('description', 160);
            $table->foreignId('department_id')->constrained();
            $table->decimal('quantity', 14, 4);
            $table->string('unit', 12);
            $table->decimal('unit_price', 14, 4);
            $table->unsignedSmallInteger('price_per');
            $table->string('price_rule', 12);
            $table->string('price_source')->default('');
            $table->decimal('list_price', 14, 4);
            $table->decimal('discount_percent', 8, 4)->nullable();
            $table->bigInteger('discount_amount')->nullable();
            $table->string('tax_class', 20);
            $table->boolean('may_discount');
            $table->decimal('floor_price', 14, 4)->nullable();
            $table->decimal('cost', 14, 4)->nullable();
            $table->string('note')->default('');
            $table->foreignId('approval_id')->nullable()->constrained();
            $table->index(['slip_id', 'position']);
        });

        Schema::create('slip_acts', function (Blueprint $table): void {
            $table
                ->char('key', 36)
                ->charset('ascii')
                ->collation('ascii_bin')
                ->primary()
                ->comment('one act at the counter, done once however often it is sent');
            $table->foreignId('slip_id')->constrained()->cascadeOnDelete();
        });

        Schema::create('card_payments', function (Blueprint $table): void {
            $table->id();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->unique();
            $table->foreignId('slip_id')->constrained();
            $table->foreignId('till_id')->constrained();
            $table->bigInteger('asked');
            $table->bigInteger('approved')->default(0);
            $table->string('state', 12)->default('asked');
            $table->string('reason')->default('');
            $table->string('card_type', 20)->default('');
            $table->char('last_four', 4)->default('');
            $table->string('authorisation', 20)->default('');
            $table->timestamps(3);
            $table->index(['slip_id', 'state']);
        });

        Schema::create('terminal_requests', function (Blueprint $table): void {
            $table->id();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin')->unique();
            $table->foreignId('till_id')->constrained();
            $table->string('act', 10)->default('take');
            $table->bigInteger('amount');
            $table->bigInteger('approved')->default(0);
            $table->string('outcome', 12);
            $table->string('reason')->default('');
            $table->string('card_type', 20)->default('');
            $table->char('last_four', 4)->default('');
            $table->string('authorisation', 20)->default('');
            $table->timestamp('asked_at', 3)->useCurrent();
        });

        Schema::create('simulated_devices', function (Blueprint $table): void {
            $table->foreignId('till_id')->constrained();
            $table->string('device', 20);
            $table->json('state');
            $table->primary(['till_id', 'device']);
        });

        Schema::create('printed_papers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('till_id')->constrained();
            $table->string('title');
            $table->mediumText('html');
            $table->timestamp('printed_at', 3)->useCurrent();
        });

        Schema::create('sent_mails', function (Blueprint $table): void {
            $table->id();
            $table->string('recipient');
            $table->string('subject');
            $table->text('body');
            $table->string('attachment_name')->default('');
            $table->timestamp('sent_at', 3)->useCurrent();
        });

        DB::statement('ALTER TABLE sent_mails ADD COLUMN attachment MEDIUMBLOB NULL AFTER attachment_name');

        Schema::create('paper_issues', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('document_id')->constrained();
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('form', 10)->comment('receipt or invoice');
            $table->string('way', 10)->comment('print, mail or file');
            $table->timestamp('issued_at', 3)->useCurrent();
        });
    }
};
