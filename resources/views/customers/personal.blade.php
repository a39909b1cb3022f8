@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'What is kept about '.$customer->name)
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('customers') }}">Customers</a> / <a
        href="{{ route('customers.show', $customer) }}">{{ $customer->number }} {{ $customer->name }}</a></p>
    <div class="page-head"><h1>What is kept about them</h1>
        <div class="end"><a href="{{ route('customers.personal.file', $customer) }}">As a file for them (JSON)</a></div>
    </div>
    @include('design.messages')
    @if($customer->erased_at !== null)<div class="note look"><p>Erased on {{ Show::moment($customer->erased_at) }}. What
        was posted is kept as the law asks.</p></div>@endif
    @foreach($shown as $what => $rows)<h2 class="mt-4">{{ ucfirst(str_replace('_', ' ', $what)) }}
        <span class="soft small">{{ count($rows) }}</span></h2>
        <table class="ruled small"><thead><tr>@foreach(array_keys($rows[0]) as $column)<th>{{
            str_replace('_', ' ', $column) }}</th>@endforeach</tr></thead>
        <tbody>@foreach(array_slice($rows, 0, 50) as $row)<tr>@foreach($row as $value)<td>{{
            is_scalar($value) ? $value : '' }}</td>@endforeach</tr>@endforeach</tbody></table>
        @if(count($rows) > 50)<p class="soft">and {{ count($rows) - 50 }} more, in the file</p>@endif
    @endforeach
    @if($customer->erased_at === null)@can('erase-customers')<h2 class="mt-4">Erase it</h2>
        @if($hinders !== [])<div class="note stop"><p>Not now: {{ implode(' ', $hinders) }}</p></div>@else
        <p>Name, addresses, people, notes, papers, what was mailed: gone for good. Documents stay, with the name that
            stood on them, as the law asks; so does what is on record, without what was changed.</p>
        <form class="filters" method="post" action="{{ route('customers.erase', $customer) }}">@csrf
            <div><label for="number">The customer’s number, once more</label><input class="form-control w-6" id="number"
                name="number" autocomplete="off" inputmode="numeric"></div>
            <button class="quiet-act brick">Erase it for good</button></form>@endif @endcan @endif
</div>
@endsection
