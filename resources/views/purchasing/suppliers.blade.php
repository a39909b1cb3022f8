@extends('layout')
@section('title', 'Suppliers')
@section('main')
<div class="page">
    <div class="page-head"><h1>Suppliers</h1><div class="end"><a class="quiet-act"
        href="{{ route('suppliers.create') }}">New supplier</a></div></div>
    @include('design.messages')
    @if($suppliers->isEmpty())<p class="empty">None yet.</p>@else
    <table class="ruled"><thead><tr><th>Code</th><th>Name</th><th>Town</th><th>Phone</th><th>Mail</th>
        <th class="figure">Days to come</th><th class="figure">Open orders</th></tr></thead><tbody>
        @foreach($suppliers as $one)<tr><td><a class="code"
            href="{{ route('suppliers.show', $one) }}">{{ $one->code }}</a></td>
            <td>{{ $one->name }} @unless($one->active)<span class="brick small">not any more</span>@endunless</td>
            <td>{{ $one->town }}</td><td>{{ $one->phone }}</td><td>{{ $one->mail }}</td>
            <td class="figure">{{ $one->lead_days }}</td><td class="figure">{{ $open[$one->id] ?? '' }}</td></tr>
        @endforeach</tbody></table>{{ $suppliers->links() }}@endif
</div>
@endsection
