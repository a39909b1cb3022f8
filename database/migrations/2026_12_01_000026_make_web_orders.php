<?php

declare(strict_types=1);

use Elmstone\Books\Accounts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Who sends orders from the web, what they sent, and what was said of its despatch. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('web_senders', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 12)->charset('ascii')->comment('also the name of their folder');
            $table->string('name', 120);
            $table->foreignId('location_id')->constrained()->comment('where their orders are taken');
            $table->foreignId('staff_id')->constrained('staff')->comment('who answers for them');
            $table->foreignId('customer_id')->nullable()->comment('who orders for themselves only')->constrained();
            $table->string('way', 10)->default('parcel')->comment('how goods with an address reach it');
            $table->char('token_hash', 64)->charset('ascii')->nullable()->comment('SHA-256; null: none');
            $table->char('token_end', 4)->charset('ascii')->default('');
            $table->boolean('active')->default(true);
            $table->unique('code');
            $table->unique('token_hash');
        });

        Schema::create('web_orders', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('sender_id')->constrained('web_senders');
            $table->string('number', 60)->collation('utf8mb4_bin')->comment('theirs');
            $table->char('digest', 64)->charset('ascii')->comment('SHA-256 of what they sent');
            $table->string('via', 10)->comment('address, file, folder');
            $table->mediumText('xml');
            $table->string('state', 10)->default('new')->comment('new, look, taken, refused');
            $table->json('problems');
            $table->json('line_ids')->comment('their lines, by position of the order');
            $table->foreignId('agreement_id')->nullable()->unique()->constrained();
            $table->string('refused_why', 255)->default('');
            $table->dateTime('received_at', 3);
            $table->foreignId('decided_by')->nullable()->constrained('staff');
            $table->dateTime('decided_at', 3)->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->unique(['sender_id', 'number']);
            $table->index(['state', 'id']);
        });

        Schema::create('web_despatches', static function (Blueprint $table): void {
            $table->foreignId('document_id')->primary()->constrained();
            $table->foreignId('web_order_id')->constrained();
            $table->dateTime('written_at');
            $table->index(['web_order_id', 'document_id']);
        });

        // Accounts that came with rooms since the shop was set up.
        DB::table('accounts')->exists() && Accounts::open();
    }
};
