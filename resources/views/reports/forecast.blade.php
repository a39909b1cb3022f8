@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Cash forecast')
@section('main')
<div class="page">
    <div class="page-head"><h1>Cash forecast</h1><span class="soft">what accounts, plans and layaways
        will pay, by how they have paid · {{ $house->currency()->code }}</span>
        <div class="end"><button type="button" class="link-act" x-data="prints" @click="now">Print</button> ·
            <a class="link-act" href="{{ $report->csvAddress() }}">Save as CSV</a></div></div>
    <figure class="bars-of">{!! $columns !!}<figcaption class="small soft">Filled: what is expected in the week. Line:
        eight of ten draws lie between its ends.</figcaption></figure>
    <table class="ruled narrow-table"><thead><tr><th>Week from</th><th class="figure">Low</th>
        <th class="figure">Expected</th><th class="figure">High</th></tr></thead>
        <tbody>@foreach($forecast->weeks as $week)<tr>
        <td>{{ Show::date($week->from) }}</td><td class="figure">{{ Show::money($week->low) }}</td>
        <td class="figure fw-bold">{{ Show::money($week->expected) }}</td>
        <td class="figure">{{ Show::money($week->high) }}</td></tr>@endforeach
        <tr class="soft"><td>Later, or nobody can say</td><td></td>
            <td class="figure">{{ Show::money($forecast->later) }}</td><td></td></tr></tbody></table>
    <h2 class="mt-4">How right it was</h2>
    @if($tried === [])<p><a href="{{ route('forecast', ['tried' => 1]) }}">Try it on the last quarter</a>
        <span class="soft">week by week, as each would have been forecast on its first day</span></p>
    @else<p><strong>{{ $within }} of {{ count($tried) }} weeks</strong> came out between low and high
        ({{ intdiv($within * 100, count($tried)) }} %).</p>
    <figure class="bars-of">{!! $triedColumns !!}<figcaption class="small soft">Diamond: what came on what was open as
        the week began.</figcaption></figure>@endif
    <h2 class="mt-4">Account by account</h2>
    <x-report :report="$report"/>
</div>
@endsection
