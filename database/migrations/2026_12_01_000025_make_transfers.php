<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Goods on their way from one location to another. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('transfers', static function (Blueprint $table): void {
            $table->id();
            $table->string('label', 20)->charset('ascii')->nullable();
            $table->char('key', 36)->charset('ascii')->collation('ascii_bin');
            $table->foreignId('from_id')->constrained('locations');
            $table->foreignId('to_id')->constrained('locations');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('state', 10)->default('sent')->comment('sent, done');
            $table->date('sent_on');
            $table->date('expected_on');
            $table->date('ended_on')->nullable();
            $table->string('note', 255)->default('');
            $table->foreignId('document_id')->unique()->comment('by which the goods left')->constrained();
            $table->unsignedInteger('version')->default(1);
            $table->unique('key');
            $table->unique('label');
            $table->index(['state', 'to_id', 'expected_on']);
            $table->index(['state', 'from_id', 'id']);
        });
        Rows::check('transfers', 'transfer_state', "state in ('sent', 'done')");
        Rows::check('transfers', 'transfer_elsewhere', 'from_id <> to_id');

        Schema::create('transfer_lines', static function (Blueprint $table): void {
            $table->foreignId('transfer_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->foreignId('item_id')->constrained();
            $table->decimal('quantity', 14, 4)->comment('sent');
            $table->bigInteger('amount')->comment('what they cost');
            $table->decimal('arrived', 14, 4)->default(0);
            $table->decimal('missing', 14, 4)->default(0)->comment('will not come');
            $table->primary(['transfer_id', 'position']);
            $table->unique(['transfer_id', 'item_id']);
            $table->index(['item_id', 'transfer_id']);
        });
        Rows::check(
            'transfer_lines',
            'transfer_amounts',
            'quantity > 0 and amount >= 0 and arrived >= 0 and missing >= 0 and arrived + missing <= quantity',
        );

        Schema::create('transfer_counts', static function (Blueprint $table): void {
            $table->foreignId('document_id')->constrained();
            $table->unsignedSmallInteger('position')->comment('of the transfer');
            $table->foreignId('transfer_id')->constrained();
            $table->decimal('quantity', 14, 4);
            $table->boolean('is_missing');
            $table->string('why', 120)->default('');
            $table->primary(['document_id', 'position']);
            $table->index(['transfer_id', 'document_id']);
        });
        Rows::keep('transfer_counts');

        // What comes in from another location goes to who waits as well.
        Schema::table('delivery_served', static function (Blueprint $table): void {
            $table->dropForeign(['document_id']);
            $table->foreign('document_id')->references('id')->on('documents');
        });
    }
};
