@use('Elmstone\Foundation\Show')
@extends('layout')
@section('title', 'Bank file')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('accounts') }}">Accounts</a> / <a href="{{ route('bank') }}">Bank files</a></p>
    <div class="page-head"><div><h1>{{ $file->name }}</h1><p class="soft mb-0">{{ $file->format }}{{ $file->statement === '' ? '' : ", statement {$file->statement}" }} · {{ $counts->n }} payments, {{ Show::money($house->money((int) $counts->sum)) }} {{ $house->currency()->code }} · {{ (int) $counts->posted }} posted{{ (int) $counts->unknown > 0 ? ', '.(int) $counts->unknown.' from nobody known' : '' }}</p></div>
        <div class="end"><button class="main-act narrow" form="post-all"><span>Post what is ticked</span></button></div></div>
    @include('design.messages')
    <form id="post-all" method="post" action="{{ route('bank.post', $file->id) }}">@csrf</form>
    <table class="ruled">
        <thead><tr><th></th><th>Booked</th><th>Payer</th><th>Reference</th><th class="figure">Amount</th><th>From account</th><th>Goes on</th></tr></thead>
        <tbody>
        @foreach($entries as $entry)
            <tr id="entry-{{ $entry->id }}">
                <td>@if($entry->state === 'open')<input class="form-check-input m-0" type="checkbox" form="post-all" name="entries[]" value="{{ $entry->id }}" aria-label="Post payment {{ $entry->position }}" @checked($entry->customer_id !== null) @disabled($entry->customer_id === null)>@else<span class="verdigris" title="posted">✓</span>@endif</td>
                <td class="text-nowrap">{{ Show::date($entry->booked_on) }}</td><td>{{ $entry->payer }}</td><td class="small">{{ $entry->reference }}</td>
                <td class="figure">{{ Show::money($house->money($entry->amount)) }}</td>
                <td>@if($entry->state === 'open')
                        <form class="d-flex gap-1" method="post" action="{{ route('bank.assign', [$file->id, $entry->id]) }}">@csrf<input class="form-control assign" name="customer" size="6" placeholder="account" aria-label="Account of payment {{ $entry->position }}" value="{{ $entry->customer?->number }}">
                        <button class="link-act">set</button></form>@endif
                    @if($entry->customer !== null)<a href="{{ route('accounts.show', $entry->customer) }}">{{ $entry->customer->name }}</a> <span class="small soft">{{ $entry->why }}</span>@else<span class="ochre small">nobody known by this; type the account</span>@endif</td>
                <td class="small">@if($entry->document !== null)<a class="code" href="{{ route('documents.show', $entry->document) }}">{{ $entry->document->label }}</a>@elseif($entry->customer === null)<span class="soft">–</span>@elseif($entry->shares === null)oldest due first @else @foreach($entry->shares as $label => $minor)<span class="text-nowrap"><span class="code">{{ $label }}</span> {{ Show::money($house->money($minor)) }}</span>{{ $loop->last ? '' : ', ' }}@endforeach @php($left = $entry->amount - array_sum($entry->shares))@if($left > 0)<span class="ochre">; {{ Show::money($house->money($left)) }} stays as credit</span>@endif @endif</td>
            </tr>
        @endforeach
        </tbody>
    </table>
    {{ $entries->links() }}
</div>
@endsection
