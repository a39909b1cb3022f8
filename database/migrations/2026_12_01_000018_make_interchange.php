<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Bank files and their entries. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('bank_files', static function (Blueprint $table): void {
            $table->id();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
            $table->string('name', 160);
            $table->string('format', 20);
            $table->string('account', 40)->default('');
            $table->string('statement', 60)->default('');
            $table->foreignId('staff_id')->constrained('staff');
            $table->string('state', 10)->default('open');
            $table->timestamps(3);
            $table->rawColumn('content', 'MEDIUMBLOB')->nullable()->comment('while it waits for its columns');
            $table->unique('digest');
        });

        Schema::create('bank_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('bank_file_id')->constrained();
            $table->unsignedInteger('position');
            $table->char('fingerprint', 64)->charset('ascii')->collation('ascii_bin')
                ->comment('the same entry of the bank in whatever file');
            $table->string('kind', 10)->default('in');
            $table->date('booked_on')->nullable()->comment('empty where it could not be read');
            $table->bigInteger('amount');
            $table->string('payer', 160)->default('');
            $table->string('payer_account', 40)->default('');
            $table->string('reference', 500)->default('');
            $table->string('bank_reference', 80)->default('');
            $table->foreignId('customer_id')->nullable()->constrained();
            $table->json('shares')->nullable()->comment('document label: minor units');
            $table->string('state', 10)->default('open');
            $table->foreignId('document_id')->nullable()->constrained();
            $table->string('end_to_end', 40)->default('');
            $table->bigInteger('discount')->default(0)->comment('settlement discount promised with the shares');
            $table->json('evidence')->nullable()->comment('what speaks for and against');
            $table->boolean('sure')->default(false)->comment('ticked beforehand');
            $table->string('trouble')->default('');
            $table->string('aside_because')->default('');
            $table->index(['bank_file_id', 'position']);
            $table->index(['booked_on', 'amount']);
            $table->unique('fingerprint');
            $table->index(['payer_account', 'state']);
        });

        Schema::create('bank_layouts', static function (Blueprint $table): void {
            $table->id();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin');
            $table->string('name');
            $table->json('columns');
            $table->foreignId('staff_id')->constrained('staff');
            $table->timestamps(3);
            $table->unique('digest');
        });
    }
};
